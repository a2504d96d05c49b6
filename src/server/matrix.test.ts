import { randomUUID } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { join, relative } from 'node:path'
import type { ReactNode } from 'react'
import { database } from '@/db/client'
import { createInstallation } from '@/db/queries/installation'
import { addMember } from '@/db/queries/member'
import { ensureSite } from '@/db/queries/site'
import { createWorkspace } from '@/db/queries/workspace'
import { person } from '@/db/schema'
import { useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import * as actions from '@/server/actions'
import { signed } from '@/server/scope'
import { doSiteWork, SITE_WORK } from '@/server/siteWork'
import { may, RIGHTS, ROLES, type Right, type Role } from '@/server/rights'
import { demoInstallation } from '@/testing/examples'

// Who may do what: every action, route and page of the program stands here with the right it takes, and is asked by a stranger, by every role, and by
// somebody who was taken out. One that is added without a row fails.

const HOST = '127.0.0.1:4180'
let session: object | null = null

jest.mock('next/headers', () => ({ headers: () => Promise.resolve(new Headers({ host: '127.0.0.1:4180' })) }))
jest.mock('@/server/auth', () => ({
  deviceIn: () => 'a program',
  auth: () => ({
    api: {
      getSession: () => Promise.resolve(session),
      listSessions: () => Promise.resolve([]),
      signOut: () => Promise.resolve(),
    },
    handler: () => Promise.resolve(new Response(null)),
  }),
}))

// Built with the pages, and no module of Node’s own.
jest.mock('@serwist/turbopack', () => ({
  createSerwistRoute: () => ({ GET: () => Promise.resolve(new Response(null)) }),
}))

useThrowawayDatabase()

type Row = Right | 'open'

const ACTIONS: Record<string, Row> = {
  makeInstallationAction: 'work',
  importInstallationAction: 'work',
  copyInstallationAction: 'work',
  moveInstallationAction: 'work',
  keepSiteAction: 'work',
  keepControllerAction: 'work',
  keepFeedsAction: 'work',
  keepLocalRulesAction: 'seal',
  shareRecordAction: 'seal',
  endShareAction: 'seal',
  placeAction: 'archive',
  replaceTextAction: 'work',
  cancelImportAction: 'work',
  choosePreferenceAction: 'person',
  chooseDisplayAction: 'person',
  invitePersonAction: 'people',
  withdrawInvitationAction: 'people',
  changeRoleAction: 'people',
  renameWorkspaceAction: 'people',
  leaveWorkspaceAction: 'person',
  switchWorkspaceAction: 'person',
  joinWorkspaceAction: 'person',
  signInToDemo: 'open',
  signOut: 'open',
}

const ROUTES: Record<string, Row> = {
  'GET api/along/[id]': 'look',
  'GET api/audit': 'people',
  'GET api/auth/[...all]': 'open',
  'POST api/auth/[...all]': 'open',
  'GET api/authority': 'look',
  'GET api/controllers': 'look',
  'GET api/find': 'look',
  'GET api/health': 'open',
  'GET api/imports': 'look',
  'POST api/installation': 'work',
  'GET api/installation/[id]/export': 'look',
  'GET api/installation/[id]/papers/[paper]': 'look',
  'GET api/installation/[id]/revisions/[number]': 'look',
  'GET api/installation/[id]/zip': 'look',
  'GET api/live': 'look',
  'GET api/log': 'look',
  'GET api/me': 'person',
  // Its own rule: this machine, or a token.
  'GET api/metrics': 'open',
  'POST api/presence': 'look',
  'GET api/photo/[id]': 'look',
  'GET api/readings/[id]': 'look',
  'POST api/readings/[id]': 'work',
  'GET api/readings/[id]/csv': 'look',
  'GET api/readings/[id]/view': 'look',
  'GET api/ready': 'open',
  'GET api/workspace': 'people',
  'GET api/yard': 'look',
  'POST api/workspace': 'person',
  'GET api/working-copy/[id]': 'look',
  'POST api/work': 'work',
  'PUT api/working-copy/[id]': 'work',
  // The service worker: nothing of a workspace is in it.
  'GET serwist/[path]': 'open',
}

const PAGES: Record<string, Row> = {
  '(in)/account': 'person',
  '(in)/controllers': 'look',
  '(in)/controllers/[id]': 'look',
  '(in)/installation/[id]': 'look',
  '(in)/installation/[id]/brief': 'look',
  '(in)/installation/[id]/calibrate': 'look',
  '(in)/installation/[id]/dial-in': 'look',
  '(in)/installation/[id]/hand-over': 'look',
  '(in)/installation/[id]/kit': 'look',
  '(in)/installation/[id]/prove': 'look',
  '(in)/installation/[id]/readings': 'look',
  '(in)/installation/[id]/rehearse': 'look',
  '(in)/installation/[id]/respond': 'look',
  '(in)/log': 'look',
  '(in)/outage': 'look',
  '(in)/people': 'look',
  '(in)/phone': 'look',
  '(in)/rules': 'look',
  '(in)/site/[id]': 'look',
  '(in)/sums': 'look',
  '(in)/yard': 'look',
  '(print)/card/[id]': 'look',
  '(print)/cards/[id]': 'look',
  '(print)/record/[id]': 'look',
  // A link holder need not be signed in.
  'join/[workspace]/[token]': 'open',
  letters: 'open',
  // What it draws lies in the browser; the server gives it nothing of a workspace.
  offline: 'open',
  reset: 'open',
  // A link holder need not be signed in; the link is for one record.
  'shared/[workspace]/[token]': 'open',
  'sign-in': 'open',
  '': 'open',
}

const ASKERS = ['stranger', 'removed', ...ROLES] as const
type Asker = (typeof ASKERS)[number]

const app = join(process.cwd(), 'src/app')
const filesNamed = (name: string): string[] =>
  readdirSync(app, { recursive: true, encoding: 'utf8' })
    .filter((file) => file === name || file.endsWith(`/${name}`))
    .map((file) => relative(app, join(app, file)).replace(new RegExp(`/?${name}$`), ''))
    .sort()

const people = new Map<Asker, string>()
let workspaceId: string
const id = randomUUID()

beforeAll(async () => {
  workspaceId = await createWorkspace('Many hands')
  for (const asker of ASKERS) {
    const personId = randomUUID()
    people.set(asker, personId)
    await database()
      .insert(person)
      .values({ id: personId, name: asker, email: `${asker}@hands.example` })
    if (asker !== 'stranger' && asker !== 'removed') await addMember({ workspaceId, personId, role: asker })
  }
  const scope = { workspaceId, personId: people.get('owner')!, personName: 'owner' }
  const { id: siteId } = await ensureSite(scope, 'Weir')
  await createInstallation(scope, { id, siteId, document: demoInstallation('fruiting-room') })
})

function become(asker: Asker): void {
  const personId = people.get(asker)!
  session =
    asker === 'stranger'
      ? null
      : {
          session: { id: `session of ${asker}`, workspaceId },
          user: {
            id: personId,
            name: asker,
            email: `${asker}@hands.example`,
            temperatureUnit: 'C',
            flowUnit: 'l/s',
            units: '{}',
          },
        }
}

const isLetIn = (asker: Asker, row: Row): boolean =>
  row === 'open' || (asker !== 'stranger' && asker !== 'removed' && may(asker, row))
const isKnown = (asker: Asker): boolean => asker !== 'stranger' && asker !== 'removed'

describe('actions', () => {
  test('each stands in the matrix', () => expect(Object.keys(actions).sort()).toEqual(Object.keys(ACTIONS).sort()))
  const asked = Object.entries(ACTIONS).filter(([, row]) => row !== 'open') as [keyof typeof actions, Right][]
  test.each(asked.flatMap(([name, row]) => ASKERS.map((asker) => [name, asker, row] as const)))(
    '%s by %s, which takes the right to %s',
    async (name, asker, row) => {
      become(asker)
      // The wrong input goes as far as the right of whoever sends it, and changes nothing.
      const action = actions[name] as (input?: unknown) => Promise<{ kind: string }>
      // Whoever leaves would be gone for the rows that follow; the last owner cannot.
      if (name === 'leaveWorkspaceAction' && isKnown(asker) && asker !== 'owner') return
      const { kind } = await action({ wrong: true })
      expect(kind).toBe(isLetIn(asker, row) ? 'invalid' : isKnown(asker) ? 'forbidden' : 'signed-out')
    },
  )
})

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>
const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH'] as const

describe('routes', () => {
  const load = (file: string) => import(join(app, file, 'route')) as Promise<Record<string, Handler>>
  test('each stands in the matrix', async () => {
    const found = await Promise.all(
      filesNamed('route.ts').map(async (file) => {
        const module = await load(file)
        return METHODS.filter((method) => method in module).map((method) => `${method} ${file}`)
      }),
    )
    expect(found.flat().sort()).toEqual(Object.keys(ROUTES).sort())
  })
  const asked = Object.entries(ROUTES).filter(([, row]) => row !== 'open') as [string, Right][]
  test.each(asked.flatMap(([name, row]) => ASKERS.map((asker) => [name, asker, row] as const)))(
    '%s by %s, which takes the right to %s',
    async (name, asker, row) => {
      become(asker)
      const [method = '', file = ''] = name.split(' ')
      const handler = (await load(file))[method]!
      const answer = await handler(
        new Request(`http://${HOST}/${file}?installation=x`, {
          method,
          headers: { host: HOST, origin: `http://${HOST}` },
          ...(method !== 'GET' && { body: '{}' }),
        }),
        { params: Promise.resolve({ id: randomUUID(), number: '1' }) },
      )
      await answer.body?.cancel()
      if (isLetIn(asker, row)) expect([401, 403]).not.toContain(answer.status)
      else expect(answer.status).toBe(isKnown(asker) ? 403 : 401)
    },
  )
  test.each(asked.filter(([name]) => !name.startsWith('GET')))('%s is for pages of ours', async (name) => {
    become('owner')
    const [method = '', file = ''] = name.split(' ')
    const handler = (await load(file))[method]!
    const request = new Request(`http://${HOST}/${file}`, {
      method,
      headers: { host: HOST, origin: 'http://elsewhere.example' },
      body: '{}',
    })
    expect((await handler(request, { params: Promise.resolve({ id }) })).status).toBe(403)
  })
})

describe('work on site', () => {
  const kinds: [string, Right][] = [
    ['check', 'work'],
    ['log', 'work'],
    ['photo', 'work'],
    ['visit', 'work'],
    ['seal', 'seal'],
  ]
  test('each kind stands in the matrix', () =>
    expect(Object.entries(SITE_WORK).map(([kind, { right }]) => [kind, right])).toEqual(kinds))
  test.each(kinds.flatMap(([kind, right]) => ROLES.map((role) => [kind, role, right] as const)))(
    '%s by %s, which takes the right to %s',
    async (kind, role, right) => {
      become(role)
      const who = await signed()
      const { kind: answer } = await doSiteWork(who!, { kind, input: { wrong: true } })
      expect(answer).toBe(may(role, right) ? 'invalid' : 'forbidden')
    },
  )
})

test.each(['', 'constructor', '__proto__', 'other'])('work of no known kind (%s) is refused in words', async (kind) => {
  become('owner')
  expect(await doSiteWork((await signed())!, { kind, input: {} })).toMatchObject({ kind: 'invalid' })
})

describe('pages', () => {
  test('each stands in the matrix', () => expect(filesNamed('page.tsx')).toEqual(Object.keys(PAGES).sort()))
  const asked = Object.entries(PAGES).filter(([, row]) => row !== 'open') as [string, Right][]
  test.each(
    asked.flatMap(([name, row]) => (['stranger', 'removed'] as const).map((asker) => [name, asker, row] as const)),
  )('%s is not shown to a %s', async (name, asker) => {
    become(asker)
    // A page without anything of its own is guarded by the layout around it.
    const folders = name.split('/').map((_, index, all) => all.slice(0, index + 1).join('/'))
    const layouts = folders.filter((folder) => filesNamed('layout.tsx').includes(folder))
    const files = [join(app, name, 'page'), ...layouts.map((folder) => join(app, folder, 'layout'))]
    type Shown = (props: object) => Promise<ReactNode>
    const shown = await Promise.allSettled(
      files.map(async (file) => {
        const { default: show } = (await import(file)) as { default: Shown }
        return show({ params: Promise.resolve({ id }), searchParams: Promise.resolve({}), children: null })
      }),
    )
    const digests = shown.map((one) =>
      one.status === 'rejected' ? String((one.reason as { digest?: string }).digest) : 'shown',
    )
    expect(digests.some((digest) => digest.startsWith('NEXT_REDIRECT') && digest.includes('/sign-in'))).toBe(true)
  })
})

test('every right is somebody’s, and an owner has every one', () => {
  for (const right of Object.keys(RIGHTS) as Right[]) expect(may('owner', right)).toBe(true)
  const counts = ROLES.map((role: Role) => (Object.keys(RIGHTS) as Right[]).filter((right) => may(role, right)).length)
  expect(counts).toEqual([...counts].sort((a, b) => b - a))
})
