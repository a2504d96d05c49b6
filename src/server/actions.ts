'use server'

import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { ADDRESS_HEADER } from '@/server/address'
import { auth } from '@/server/auth'
import { cancelImport } from '@/server/commands/cancelImport'
import { changeRole, leaveWorkspace } from '@/server/commands/changeRole'
import { chooseDisplay, choosePreference } from '@/server/commands/choosePreference'
import { copyInstallation, moveInstallation } from '@/server/commands/copyAndMove'
import { invitePerson } from '@/server/commands/invitePerson'
import { joinWorkspace } from '@/server/commands/joinWorkspace'
import { keepController } from '@/server/commands/keepController'
import { keepSite } from '@/server/commands/keepSite'
import { keepLocalRules } from '@/server/commands/keepLocalRules'
import { keepFeeds } from '@/server/commands/keepFeeds'
import { importInstallation, makeInstallation } from '@/server/commands/makeInstallation'
import { place } from '@/server/commands/place'
import { renameWorkspace } from '@/server/commands/renameWorkspace'
import { replaceText } from '@/server/commands/replaceText'
import { endShare, shareRecord } from '@/server/commands/shareRecord'
import { switchWorkspace } from '@/server/commands/switchWorkspace'
import { withdrawInvitation } from '@/server/commands/withdrawInvitation'
import { DEMO_EMAIL, DEMO_PASSWORD } from '@/server/demoAccount'
import { isKnownHost, isOwnOrigin } from '@/server/hosts'
import { countTry } from '@/server/limits'
import { asSigned } from '@/server/respond'
import { isDemoOffered } from '@/server/settings'

// Each action: who is asking and what right it takes, what the audit calls it, then the command, which parses what came from the browser and
// answers with a value.

/** A text of what was sent, for the audit; what was sent was found good by then. */
const textIn = (input: unknown, key: string): string => {
  const value = typeof input === 'object' && input !== null ? (input as Record<string, unknown>)[key] : undefined
  return typeof value === 'string' ? value : ''
}
const about = (input: unknown, key = 'installationId') => ({ installationId: textIn(input, key) || null })

export async function makeInstallationAction(input: unknown) {
  return asSigned('work', { action: 'made', what: textIn(input, 'name'), ...about(input, 'id') }, (scope) =>
    makeInstallation(scope, input),
  )
}

export async function importInstallationAction(input: unknown) {
  return asSigned('work', { action: 'brought in', what: 'from a file', ...about(input, 'id') }, (scope) =>
    importInstallation(scope, input),
  )
}

export async function copyInstallationAction(input: unknown) {
  return asSigned('work', { action: 'made', what: textIn(input, 'name'), ...about(input, 'id') }, (scope) =>
    copyInstallation(scope, input),
  )
}

export async function moveInstallationAction(input: unknown) {
  return asSigned('work', { action: 'moved', what: `to ${textIn(input, 'site')}`, ...about(input, 'id') }, (scope) =>
    moveInstallation(scope, input),
  )
}

export async function keepSiteAction(input: unknown) {
  return asSigned('work', { action: 'changed a site', what: textIn(input, 'name') }, (scope) => keepSite(scope, input))
}

export async function keepControllerAction(input: unknown) {
  return asSigned('work', { action: 'kept a controller' }, (scope) => keepController(scope, input))
}

export async function keepFeedsAction(input: unknown) {
  return asSigned('work', { action: 'fed readings' }, (scope) => keepFeeds(scope, input))
}

export async function placeAction(input: unknown) {
  const where = { here: 'brought back', aside: 'archived', deleted: 'deleted' }[textIn(input, 'place')] ?? 'placed'
  const what = `${textIn(input, 'kind')} ${textIn(input, 'id')}`
  const of = textIn(input, 'kind') === 'installation' ? about(input, 'id') : {}
  return asSigned('archive', { action: where, what, ...of }, (scope) => place(scope, input))
}

export async function replaceTextAction(input: unknown) {
  return asSigned('work', { action: 'changed', what: 'as text', ...about(input, 'id') }, (scope) =>
    replaceText(scope, input),
  )
}

export async function cancelImportAction(input: unknown) {
  return asSigned('work', { action: 'stopped an import' }, (scope) => cancelImport(scope, input))
}

export async function choosePreferenceAction(input: unknown) {
  return asSigned('person', null, (scope) => choosePreference(scope, input))
}

export async function chooseDisplayAction(input: unknown) {
  return asSigned('person', null, (scope) => chooseDisplay(scope, input))
}

export async function invitePersonAction(input: unknown) {
  const what = `${textIn(input, 'role')} ${textIn(input, 'email')}`
  return asSigned('people', { action: 'invited', what }, (scope) => invitePerson(scope, input))
}

export async function withdrawInvitationAction(input: unknown) {
  return asSigned('people', { action: 'took an invitation back' }, (scope) => withdrawInvitation(scope, input))
}

export async function keepLocalRulesAction(input: unknown) {
  return asSigned('seal', { action: 'changed the local rules' }, (scope) => keepLocalRules(scope, input))
}

export async function shareRecordAction(input: unknown) {
  const audited = { action: 'made a link to the record', what: `for ${textIn(input, 'forWhom')}`, ...about(input) }
  return asSigned('seal', audited, (scope) => shareRecord(scope, input))
}

export async function endShareAction(input: unknown) {
  return asSigned('seal', { action: 'ended a link to a record' }, (scope) => endShare(scope, input))
}

export async function changeRoleAction(input: unknown) {
  const role = textIn(input, 'role')
  const audited = { action: role ? 'gave a role' : 'removed', what: `${textIn(input, 'personId')} ${role}` }
  return asSigned('people', audited, (scope) => changeRole(scope, input))
}

export async function renameWorkspaceAction(input: unknown) {
  return asSigned('people', { action: 'renamed the workspace', what: textIn(input, 'name') }, (scope) =>
    renameWorkspace(scope, input),
  )
}

export async function leaveWorkspaceAction() {
  return asSigned('person', { action: 'left' }, (scope) => leaveWorkspace(scope))
}

export async function switchWorkspaceAction(input: unknown) {
  return asSigned('person', null, (_scope, who) => switchWorkspace(who, input))
}

export async function joinWorkspaceAction(input: unknown) {
  return asSigned('person', null, async (_scope, who) => {
    if ((await countTry('join:address', who.address)) !== null) return { kind: 'unavailable', why: 'busy' }
    return joinWorkspace(who, input)
  })
}

/** One click on the sign-in page; only where the demo is offered, and only from that page under a name of this server. */
export async function signInToDemo(): Promise<void> {
  const head = await headers()
  const isOurs = isDemoOffered() && isKnownHost(head.get('host')) && isOwnOrigin(head)
  if (isOurs && (await countTry('demo:address', head.get(ADDRESS_HEADER) ?? 'unknown')) === null)
    await auth().api.signInEmail({ body: { email: DEMO_EMAIL, password: DEMO_PASSWORD }, headers: head })
  redirect('/yard')
}

export async function signOut(): Promise<void> {
  await auth().api.signOut({ headers: await headers() })
  redirect('/sign-in')
}
