import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import { database, type Scope } from '@/db/client'
import { addAudit, listAudit } from '@/db/queries/audit'
import { emptyBin } from '@/db/queries/bin'
import { createInstallation, getInstallation, placeInstallation } from '@/db/queries/installation'
import { listYard } from '@/db/queries/installationLine'
import { listInvites } from '@/db/queries/invite'
import { addLogEntry, listLog } from '@/db/queries/log'
import { addMember, changeMember, listMembers, listMemberships } from '@/db/queries/member'
import { listReadingFiles } from '@/db/queries/reading'
import { sealRevision } from '@/db/queries/revision'
import { ensureSite, listSites } from '@/db/queries/site'
import { person, session } from '@/db/schema'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { changeRole, leaveWorkspace } from '@/server/commands/changeRole'
import { importReadingsFile } from '@/server/commands/importReadingsFile'
import { invitePerson } from '@/server/commands/invitePerson'
import { joinWorkspace } from '@/server/commands/joinWorkspace'
import { place } from '@/server/commands/place'
import { withdrawInvitation } from '@/server/commands/withdrawInvitation'
import { keepHouse } from '@/server/jobs/housekeeping'
import { countTry, forgetTries } from '@/server/limits'
import { hub } from '@/server/live'
import { refreshLine } from '@/server/refreshLines'
import { demoInstallation, demoText } from '@/testing/examples'

process.env.BETTER_AUTH_SECRET = 'a secret of the tests alone'
useThrowawayDatabase()

/** Somebody with an account, a session and a workspace of their own. */
async function somebody(name: string): Promise<{ scope: Scope; sessionId: string }> {
  const scope = await newScope(name)
  const sessionId = randomUUID()
  await database()
    .insert(person)
    .values({ id: scope.personId, name, email: `${randomUUID()}@some.example` })
  await database()
    .insert(session)
    .values({ id: sessionId, token: randomUUID(), personId: scope.personId, expiresAt: new Date(Date.now() + 1e7) })
  await addMember({ workspaceId: scope.workspaceId, personId: scope.personId, role: 'owner' })
  return { scope, sessionId }
}

async function linkOf(scope: Scope, role: string, id = randomUUID()): Promise<{ workspaceId: string; token: string }> {
  const made = await invitePerson(scope, { id, role, email: '' })
  if (made.kind !== 'done') throw new Error(made.kind)
  const [workspaceId = '', token = ''] = made.link.split('/').slice(-2)
  return { workspaceId, token }
}

describe('an invitation', () => {
  test('is good once, even where two come at the same moment', async () => {
    const [owner, first, second] = [await somebody('Tam'), await somebody('Ada'), await somebody('Ida')]
    const link = await linkOf(owner.scope, 'technician')
    const outcomes = await Promise.all([first, second].map((who) => joinWorkspace(who, link)))
    expect(outcomes.map(({ kind }) => kind).sort()).toEqual(['done', 'unknown'])
    expect((await listMembers(owner.scope)).map(({ role }) => role).sort()).toEqual(['owner', 'technician'])
    const winner = outcomes[0]?.kind === 'done' ? first : second
    // Sent again because the answer was lost: it is one joining.
    expect((await joinWorkspace(winner, link)).kind).toBe('done')
    expect(await listInvites(owner.scope)).toEqual([])
  })
  test('sent twice under its id has one link; the same id in another workspace has another', async () => {
    const [owner, other] = [await somebody('Tam'), await somebody('Ada')]
    const id = randomUUID()
    const [once, twice] = [await linkOf(owner.scope, 'reader', id), await linkOf(owner.scope, 'reader', id)]
    expect(once).toEqual(twice)
    expect((await linkOf(other.scope, 'owner', id)).token).not.toBe(once.token)
  })
  test('taken back or run out is good for nothing', async () => {
    const [owner, guest] = [await somebody('Tam'), await somebody('Ada')]
    const [takenId, oldId] = [randomUUID(), randomUUID()]
    const taken = await linkOf(owner.scope, 'reader', takenId)
    expect(await withdrawInvitation(owner.scope, { id: takenId })).toEqual({ kind: 'done' })
    expect((await joinWorkspace(guest, taken)).kind).toBe('unknown')
    const old = await linkOf(owner.scope, 'reader', oldId)
    const { inWorkspace } = await import('@/db/client')
    await inWorkspace(owner.scope, (tx) => tx.execute(sql`update invite set expires_at = now() - interval '1 minute'`))
    expect((await joinWorkspace(guest, old)).kind).toBe('unknown')
    expect(await listMembers(owner.scope)).toHaveLength(1)
  })
})

describe('a workspace', () => {
  test('keeps an owner, even where two take it from each other at once', async () => {
    const [tam, ada] = [await somebody('Tam'), await somebody('Ada')]
    await joinWorkspace(ada, await linkOf(tam.scope, 'owner'))
    const { workspaceId } = tam.scope
    const outcomes = await Promise.all([
      changeMember({ workspaceId }, tam.scope.personId, 'reader'),
      changeMember({ workspaceId }, ada.scope.personId, 'reader'),
    ])
    expect(outcomes.sort()).toEqual(['done', 'last-owner'])
  })
  test('the last owner does not leave; whoever leaves their only one gets one of their own', async () => {
    const [tam, ada] = [await somebody('Tam'), await somebody('Ada')]
    expect(await leaveWorkspace(tam.scope)).toMatchObject({ kind: 'invalid' })
    await joinWorkspace(ada, await linkOf(tam.scope, 'technician'))
    await database().execute(sql`delete from member where workspace_id = ${ada.scope.workspaceId}::uuid`)
    expect(await changeRole(tam.scope, { personId: ada.scope.personId, role: null })).toEqual({ kind: 'done' })
    const left = await listMemberships(ada.scope.personId)
    expect(left).toMatchObject([{ role: 'owner' }])
    expect([tam.scope.workspaceId, ada.scope.workspaceId]).not.toContain(left[0]?.workspaceId)
  })
})

describe('what is deleted', () => {
  const make = async (scope: Scope) => {
    const id = randomUUID()
    const { id: siteId } = await ensureSite(scope, 'Weir')
    await createInstallation(scope, { id, siteId, document: demoInstallation('fruiting-room') })
    return { id, siteId }
  }
  const bytes = async function* () {
    yield await Promise.resolve(new TextEncoder().encode(demoText('readings/inverter-cupboard-14-nov.csv')))
  }
  const inDays = (days: number) => new Date(Date.now() + days * 86_400_000)

  test('is out of the lists at once, comes back for 30 days, and is then gone; its log stays', async () => {
    const { scope } = await somebody('Tam')
    const { id, siteId } = await make(scope)
    await addLogEntry(scope, { id: randomUUID(), installationId: id, kind: 'note', text: 'The shutter sticks.' })
    await importReadingsFile(scope, { id: randomUUID(), installationId: id, name: 'night.csv' }, bytes())
    expect(await place(scope, { kind: 'installation', id, place: 'deleted' })).toEqual({ kind: 'done' })
    expect((await listYard(scope, { madeBy: 1 })).count).toBe(0)
    await emptyBin(inDays(29))
    expect(await place(scope, { kind: 'installation', id, place: 'here' })).toEqual({ kind: 'done' })
    await emptyBin(inDays(40))
    expect((await listYard(scope, { madeBy: 1 })).count).toBe(1)

    await place(scope, { kind: 'installation', id, place: 'deleted' })
    await keepHouse(inDays(31))
    expect(await getInstallation(scope, id)).toBeNull()
    expect(await listReadingFiles(scope, id)).toEqual([])
    expect((await listLog(scope)).map(({ text }) => text)).toContain('The shutter sticks.')
    expect(await place(scope, { kind: 'installation', id, place: 'here' })).toEqual({ kind: 'unknown' })
    expect(await place(scope, { kind: 'site', id: siteId, place: 'deleted' })).toEqual({ kind: 'done' })
    expect(await listSites(scope)).toEqual([])
  })
  test('what was sealed, before or after, stays for good', async () => {
    const { scope } = await somebody('Tam')
    const [before, after] = [await make(scope), await make(scope)]
    const seal = (installationId: string) =>
      sealRevision(scope, { id: randomUUID(), installationId, version: 1, reason: 'as found', open: [] })
    await seal(before.id)
    for (const { id } of [before, after]) await placeInstallation(scope, id, { goneAt: inDays(30) })
    await seal(after.id)
    await emptyBin(inDays(31))
    for (const { id } of [before, after]) expect(await getInstallation(scope, id)).not.toBeNull()
    expect(await place(scope, { kind: 'site', id: before.siteId, place: 'deleted' })).toMatchObject({ kind: 'invalid' })
  })
  test('a readings file goes alone', async () => {
    const { scope } = await somebody('Tam')
    const { id } = await make(scope)
    const fileId = randomUUID()
    await importReadingsFile(scope, { id: fileId, installationId: id, name: 'night.csv' }, bytes())
    await place(scope, { kind: 'readings', id: fileId, place: 'deleted' })
    expect(await listReadingFiles(scope, id)).toEqual([])
    await place(scope, { kind: 'readings', id: fileId, place: 'here' })
    expect(await listReadingFiles(scope, id)).toHaveLength(1)
    await place(scope, { kind: 'readings', id: fileId, place: 'deleted' })
    await emptyBin(inDays(31))
    const { rows } = await database().execute('select 1 from bin')
    expect(rows).toEqual([])
  })
})

test('what is kept is told to whoever listens to that installation of that workspace', async () => {
  const [tam, ada] = [await somebody('Tam'), await somebody('Ada')]
  const id = randomUUID()
  for (const { scope } of [tam, ada]) {
    const { id: siteId } = await ensureSite(scope, 'Weir')
    await createInstallation(scope, { id, siteId, document: demoInstallation('fruiting-room') })
  }
  const heard: string[] = []
  const listening = new Promise<void>((resolve) => {
    hub().listen(tam.scope.workspaceId, id, ({ kind }) => {
      heard.push(kind)
      if (kind === 'again') resolve()
    })
  })
  await listening
  const sealed = new Promise<void>((resolve) =>
    hub().listen(tam.scope.workspaceId, id, ({ kind }) => {
      if (kind === 'sealed') resolve()
    }),
  )
  for (const { scope } of [ada, tam])
    await sealRevision(scope, { id: randomUUID(), installationId: id, version: 1, reason: 'as found', open: [] })
  await sealed
  expect(heard).toEqual(['again', 'sealed'])
  await hub().close()
})

test('tries are counted by key and limit, in the database, and forgotten when one succeeds', async () => {
  const guess = () => countTry('sign-in:account', 'Somebody@Guess.example')
  const answers: (number | null)[] = []
  for (let attempt = 0; attempt < 11; attempt++) answers.push(await guess())
  expect(answers.slice(0, 10)).toEqual(Array<null>(10).fill(null))
  expect(answers[10]).toBeGreaterThan(0)
  expect(await countTry('sign-in:account', 'other@guess.example')).toBeNull()
  // Written as one types it: it is the same account.
  expect(await countTry('sign-in:account', 'SOMEBODY@guess.example')).not.toBeNull()
  await forgetTries('sign-in:account', 'somebody@guess.example')
  expect(await guess()).toBeNull()
})

test.each([
  { what: '', says: 'Inverter cupboard' },
  { what: 'Inverter cupboard', says: 'Inverter cupboard' },
  { what: 'as text', says: 'Inverter cupboard: as text' },
])('what was done to an installation is written with its name: “$what”', async ({ what, says }) => {
  const { scope } = await somebody('Tam')
  const id = randomUUID()
  const site = await ensureSite(scope, 'Lock Cottage')
  await createInstallation(scope, {
    id,
    siteId: site.id,
    document: demoInstallation('inverter-cupboard'),
  })
  await refreshLine(scope, id)
  await addAudit(scope, { action: 'changed', what, installationId: id, address: '10.0.0.1' })
  await addAudit(scope, { action: 'left', what: 'nothing of it', address: '10.0.0.1' })
  expect((await listAudit(scope)).map((entry) => entry.what)).toEqual(['nothing of it', says])
})
