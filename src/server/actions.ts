'use server'

import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { cancelImport } from '@/server/commands/cancelImport'
import { choosePreference } from '@/server/commands/choosePreference'
import { keepFeeds } from '@/server/commands/keepFeeds'
import { replaceText } from '@/server/commands/replaceText'
import { setAside } from '@/server/commands/setAside'
import { keepController } from '@/server/commands/keepController'
import { keepCheck } from '@/server/commands/keepCheck'
import { importInstallation, makeInstallation } from '@/server/commands/makeInstallation'
import { seal } from '@/server/commands/seal'
import { writeLog } from '@/server/commands/writeLog'
import { isKnownHost, isOwnOrigin } from '@/server/hosts'
import { DEMO_EMAIL, DEMO_PASSWORD } from '@/server/demoAccount'
import { auth } from '@/server/auth'
import { asSigned } from '@/server/respond'

// Each action: who is asking, then the command, which parses what came from the browser and answers with a value.

export async function makeInstallationAction(input: unknown) {
  return asSigned((scope) => makeInstallation(scope, input))
}

export async function importInstallationAction(input: unknown) {
  return asSigned((scope) => importInstallation(scope, input))
}

export async function sealAction(input: unknown) {
  return asSigned((scope) => seal(scope, input))
}

export async function keepCheckAction(input: unknown) {
  return asSigned((scope) => keepCheck(scope, input))
}

export async function keepControllerAction(input: unknown) {
  return asSigned((scope) => keepController(scope, input))
}

export async function keepFeedsAction(input: unknown) {
  return asSigned((scope) => keepFeeds(scope, input))
}

export async function setAsideAction(input: unknown) {
  return asSigned((scope) => setAside(scope, input))
}

export async function replaceTextAction(input: unknown) {
  return asSigned((scope) => replaceText(scope, input))
}

export async function writeLogAction(input: unknown) {
  return asSigned((scope) => writeLog(scope, input))
}

export async function cancelImportAction(input: unknown) {
  return asSigned((scope) => cancelImport(scope, input))
}

export async function choosePreferenceAction(input: unknown) {
  return asSigned((scope) => choosePreference(scope, input))
}

/** One click on the sign-in page; only where the demo is loaded, and only from that page under a name of this server. */
export async function signInToDemo(): Promise<void> {
  const head = await headers()
  if (process.env.GALE_DEMO === '1' && isKnownHost(head.get('host')) && isOwnOrigin(head))
    await auth().api.signInEmail({ body: { email: DEMO_EMAIL, password: DEMO_PASSWORD }, headers: head })
  redirect('/yard')
}

export async function signOut(): Promise<void> {
  await auth().api.signOut({ headers: await headers() })
  redirect('/sign-in')
}
