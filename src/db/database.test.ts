import { overviewOf, type BadOverview, type Overview } from '@/core/record/overview'
import { randomUUID } from 'node:crypto'
import { Client } from 'pg'
import { database, inWorkspace, isDatabaseGone, pool, type Scope } from '@/db/client'
import { DatabaseUnfit, migrateDatabase } from '@/db/migrate'
import { eq, sql } from 'drizzle-orm'
import { checkInstallation } from '@/core/installation/checkInstallation'
import type { Installation } from '@/core/installation/installation'
import type { Problem } from '@/core/json/problem'
import {
  createInstallation,
  getInstallation,
  listSetAside,
  saveWorkingCopy,
  placeInstallation,
  type InstallationRow,
} from '@/db/queries/installation'
import { findInstallations, listStaleLines, listYard, saveLine, type YardAsk } from '@/db/queries/installationLine'
import { addLogEntry, listLog } from '@/db/queries/log'
import { listRevisions, sealRevision } from '@/db/queries/revision'
import { ensureSite, listSites } from '@/db/queries/site'
import { OTHER_TABLES, installation, installationLine, WORKSPACE_TABLES, workingCopy } from '@/db/schema'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { demoInstallation } from '@/testing/examples'

const { url } = useThrowawayDatabase()

async function made(scope: Scope): Promise<string> {
  const id = randomUUID()
  await createInstallation(scope, {
    id,
    siteId: (await ensureSite(scope, 'Lock Cottage')).id,
    document: demoInstallation('fruiting-room'),
  })
  return id
}

const save = (scope: Scope, id: string, baseVersion: number, saveId: string = randomUUID()) =>
  saveWorkingCopy(scope, {
    id,
    baseVersion,
    saveId,
    document: { ...demoInstallation('fruiting-room'), name: `version ${baseVersion + 1}` },
  })

async function openRow(scope: Scope, id: string): Promise<InstallationRow> {
  const row = await getInstallation(scope, id)
  if (row?.kind !== 'open') throw new Error('it does not open')
  return row
}

/** The message PostgreSQL itself gave. */
const refusal = async (work: Promise<unknown>): Promise<string> => {
  try {
    await work
    return 'not refused'
  } catch (error) {
    return error instanceof Error && error.cause instanceof Error ? error.cause.message : String(error)
  }
}

describe('working copy', () => {
  test('each save is one version on; one that names an older version is behind and changes nothing', async () => {
    const scope = await newScope()
    const id = await made(scope)
    expect(await save(scope, id, 1)).toMatchObject({ kind: 'kept', version: 2 })
    expect(await save(scope, id, 1)).toMatchObject({ kind: 'behind', version: 2, savedBy: 'Tam Reed' })
    expect((await openRow(scope, id)).workingCopy).toMatchObject({
      version: 2,
      document: { name: 'version 2' },
    })
  })
  test('the same save sent twice is one', async () => {
    const scope = await newScope()
    const id = await made(scope)
    const saveId = randomUUID()
    const [first, again] = [await save(scope, id, 1, saveId), await save(scope, id, 1, saveId)]
    expect(again).toEqual(first)
  })
  test('of many saves at once upon one version, exactly one is kept', async () => {
    const scope = await newScope()
    const id = await made(scope)
    const outcomes = await Promise.all(Array.from({ length: 8 }, () => save(scope, id, 1)))
    expect(outcomes.map(({ kind }) => kind).sort()).toEqual([...Array<string>(7).fill('behind'), 'kept'])
  })
  const spoil = (scope: Scope, id: string, document: unknown) =>
    inWorkspace(scope, (tx) => tx.update(workingCopy).set({ document }).where(eq(workingCopy.installationId, id)))
  test('a stored document that another hand spoiled takes only its own row down', async () => {
    const scope = await newScope()
    const [spoiled, sound] = [await made(scope), await made(scope)]
    await spoil(scope, spoiled, { schema: 'soft-gale/installation@7', name: 'Shed' })
    expect(await getInstallation(scope, spoiled)).toMatchObject({ kind: 'unreadable', name: 'Shed' })
    for (const { document, sealed, ...of } of await listStaleLines(scope, 1, 10)) {
      const { overview, ...told } = overviewOf(document, { document: sealed, open: null }, (error) => {
        throw error
      })
      await saveLine(scope, 1, { ...of, ...told, duty: null, line: overview })
    }
    expect(await listStaleLines(scope, 1, 10)).toEqual([])
    const { rows, needing } = await listYard(scope, { madeBy: 1 })
    expect(rows.map(({ id, line }) => [id, (line as Overview | BadOverview).kind])).toEqual([
      [spoiled, 'bad'],
      [sound, 'shown'],
    ])
    expect(needing.map(({ id }) => id)).toEqual([spoiled])
    expect(await findInstallations(scope, '')).toHaveLength(2)
    // Of another derivation they are old; what is searched and what stands on a later page is counted alike.
    expect((await listYard(scope, { madeBy: 2 })).stale).toEqual([spoiled, sound])
    expect((await listYard(scope, { madeBy: 1 })).stale).toEqual([])
    const asked = [{}, { holds: 'shed' }, { holds: 'nowhere' }, { offset: 1 }].map(async (ask) => {
      const { rows: found, count } = await listYard(scope, { ...ask, madeBy: 1 })
      return [found.length, count]
    })
    expect(await Promise.all(asked)).toEqual([
      [2, 2],
      [1, 1],
      [0, 0],
      [1, 2],
    ])
    const partOf = async (ask: Partial<YardAsk>) =>
      (await listYard(scope, { ...ask, madeBy: 1 })).rows.map(({ id }) => (id === sound ? 'sound' : 'spoiled'))
    const [{ id: siteId } = { id: '' }] = await listSites(scope)
    expect(await partOf({ standing: 'needs' })).toEqual(['spoiled'])
    expect(await partOf({ standing: 'never' })).toEqual(['spoiled', 'sound'])
    expect(await partOf({ standing: 'sealed' })).toEqual([])
    expect(await partOf({ standing: 'working' })).toEqual([])
    expect(await partOf({ siteId })).toHaveLength(2)
    expect(await partOf({ siteId: randomUUID() })).toEqual([])
    expect(await partOf({ duty: 'livestock' })).toEqual([])
    // Next checks are of what can be read.
    await inWorkspace(scope, (tx) =>
      tx
        .update(installationLine)
        .set({ duty: 'grow-room', line: { kind: 'shown', nextVisitOn: '2026-12-01' } })
        .where(eq(installationLine.installationId, sound)),
    )
    expect(await partOf({ dueBy: '2026-12-01' })).toEqual(['sound'])
    expect(await partOf({ dueBy: '2026-11-30' })).toEqual([])
    expect(await partOf({ duty: 'grow-room', standing: 'never', holds: 'fruit' })).toEqual(['sound'])
    for (const [sort, first] of [
      ['site', 'spoiled'],
      ['needs', 'spoiled'],
      ['name', 'sound'],
      ['duty', 'sound'],
      ['due', 'sound'],
      ['sealed', 'spoiled'],
    ] as const)
      expect([sort, (await partOf({ sort }))[0]]).toEqual([sort, first])
    const seal = { id: randomUUID(), installationId: spoiled, version: 1, reason: 'not like this', open: [] }
    expect(await sealRevision(scope, seal)).toMatchObject({ kind: 'contradicts' })
  })
  test('one that contradicts itself opens marked, takes other changes, and is not sealed', async () => {
    const scope = await newScope()
    const id = await made(scope)
    const before = demoInstallation('fruiting-room')
    const marked = { ...before, brief: { ...before.brief, answers: { ...before.brief.answers, animal: 'hen' } } }
    await spoil(scope, id, marked)
    const row = await openRow(scope, id)
    expect(row.workingCopy.problems).toMatchObject([{ path: 'brief.answers.animal' }])
    const changed = { ...marked, name: 'Another name' }
    const problems = row.workingCopy.problems
    const saveOf = (document: Installation, found: readonly Problem[], baseVersion: number) =>
      saveWorkingCopy(scope, { id, baseVersion, saveId: randomUUID(), document, problems: found })
    expect(await saveOf(changed, problems, 1)).toMatchObject({ kind: 'kept', version: 2 })
    const worse = checkInstallation({ ...changed, response: { ...changed.response, lead: 'ghost' } })
    expect(await saveOf(changed, worse, 2)).toMatchObject({
      kind: 'contradicts',
      problems: [{ path: 'response.lead' }],
    })
    const seal = { id: randomUUID(), installationId: id, version: 2, reason: 'not yet right', open: [] }
    expect(await sealRevision(scope, seal)).toMatchObject({ kind: 'contradicts' })
    expect(await saveOf(before, [], 2)).toMatchObject({ kind: 'kept', version: 3 })
    expect(await sealRevision(scope, { ...seal, id: randomUUID(), version: 3 })).toMatchObject({ kind: 'sealed' })
  })
  test('set aside it leaves the yard, and comes back; the log says both', async () => {
    const scope = await newScope()
    const id = await made(scope)
    expect(await placeInstallation(scope, id, 'aside')).toBe(true)
    expect(await placeInstallation(scope, id, 'aside')).toBe(true)
    expect([(await listYard(scope, { madeBy: 1 })).count, (await listSetAside(scope)).map((row) => row.id)]).toEqual([
      0,
      [id],
    ])
    expect(await placeInstallation(scope, id, 'yard')).toBe(true)
    expect([(await listYard(scope, { madeBy: 1 })).count, await listSetAside(scope)]).toEqual([1, []])
    expect((await listLog(scope, { installationId: id })).map(({ text }) => text.replace(/^.* was /, ''))).toEqual([
      'brought back.',
      'archived.',
      'created.',
    ])
    expect(await placeInstallation(scope, randomUUID(), 'aside')).toBe(false)
  })
})

describe('sealed for good', () => {
  test('numbers rise by one, even when many seal at once; the same seal twice is one', async () => {
    const scope = await newScope()
    const id = await made(scope)
    const seals = Array.from({ length: 4 }, () => randomUUID())
    const outcomes = await Promise.all(
      [...seals, seals[0]!].map((sealId) =>
        sealRevision(scope, { id: sealId, installationId: id, version: 1, reason: 'test of many', open: [] }),
      ),
    )
    expect(outcomes.every(({ kind }) => kind === 'sealed')).toBe(true)
    expect((await listRevisions(scope, id)).map(({ number }) => number)).toEqual([4, 3, 2, 1])
    expect(
      await sealRevision(scope, { id: randomUUID(), installationId: id, version: 9, reason: 'an old page', open: [] }),
    ).toEqual({ kind: 'behind', version: 1 })
  })
  test.each([
    'update revision set reason = $$other$$',
    'delete from revision',
    'truncate revision',
    'update log_entry set text = $$other$$',
    'delete from log_entry',
    'truncate log_entry',
  ])('the database refuses: %s', async (statement) => {
    const scope = await newScope()
    const id = await made(scope)
    await sealRevision(scope, { id: randomUUID(), installationId: id, version: 1, reason: 'to be kept', open: [] })
    expect(await refusal(inWorkspace(scope, (tx) => tx.execute(statement)))).toMatch(
      /is for good: it can be added to, not changed/,
    )
    expect(await listRevisions(scope, id)).toMatchObject([{ reason: 'to be kept' }])
  })
})

describe('row security', () => {
  test('is forced on every table that has a workspace', async () => {
    const { rows } = await database().execute<{ name: string }>(
      `select c.table_name as name from information_schema.columns c where c.column_name = 'workspace_id' and c.table_schema = 'public' `,
    )
    const others: readonly string[] = OTHER_TABLES
    expect(
      rows
        .map(({ name }) => name)
        .filter((name) => !others.includes(name))
        .sort(),
    ).toEqual([...WORKSPACE_TABLES].sort())
    const { rows: forced } = await database().execute<{ name: string }>(
      `select relname as name from pg_class where relrowsecurity and relforcerowsecurity`,
    )
    expect(forced.map(({ name }) => name).sort()).toEqual([...WORKSPACE_TABLES, 'workspace'].sort())
  })
  test('without a workspace nothing is seen, and nothing can be written', async () => {
    await made(await newScope())
    for (const table of WORKSPACE_TABLES) expect((await database().execute(`select * from ${table}`)).rows).toEqual([])
    expect(
      await refusal(database().execute(`insert into site (workspace_id, name) values ('${randomUUID()}', 'x')`)),
    ).toMatch(/row-level security/)
  })
  test('a row cannot be written into another workspace', async () => {
    const [mine, theirs] = [await newScope(), await newScope('Ada Fenn')]
    expect(
      await refusal(
        inWorkspace(mine, (tx) =>
          tx.execute(`insert into site (workspace_id, name) values ('${theirs.workspaceId}', 'x')`),
        ),
      ),
    ).toMatch(/row-level security/)
  })
})

test('the yard is by site, with the last seal of each', async () => {
  const scope = await newScope()
  const [first] = [await made(scope), await made(scope)]
  await sealRevision(scope, { id: randomUUID(), installationId: first, version: 1, reason: 'first', open: [] })
  expect(
    (await listYard(scope, { madeBy: 1 })).rows.map(({ siteName, sealed }) => [siteName, sealed?.number ?? null]),
  ).toEqual([
    ['Lock Cottage', 1],
    ['Lock Cottage', null],
  ])
})

test('the log keeps who and when, newest first', async () => {
  const scope = await newScope()
  const id = await made(scope)
  await addLogEntry(scope, { id: randomUUID(), installationId: id, kind: 'note', text: 'The shutter sticks.' })
  expect(
    (await listLog(scope, { installationId: id })).map(({ kind, text, writtenBy }) => [kind, text, writtenBy]),
  ).toEqual([
    ['note', 'The shutter sticks.', 'Tam Reed'],
    ['made', 'Fruiting room 2, exhaust and make-up was created.', 'Tam Reed'],
  ])
})

test('a database that breaks off more often than the pool is wide does not empty it', async () => {
  const scope = await newScope()
  const id = await made(scope)
  const killer = new Client({ connectionString: url() })
  await killer.connect()
  const failed: unknown[] = []
  for (let round = 0; round < 15; round++) {
    await killer.query(
      'select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()',
    )
    // Several at once: some get a client that is dead already, and fail at their begin.
    await Promise.all([1, 2, 3].map(() => getInstallation(scope, id).catch((error: unknown) => failed.push(error))))
  }
  await killer.end()
  expect(failed.filter((error) => !isDatabaseGone(error))).toEqual([])
  // Were the clients lost, this would wait for one for ever.
  for (let round = 0; round < 12; round++) expect((await getInstallation(scope, id))?.kind).toBe('open')
  expect(pool().waitingCount).toBe(0)
})

test('a client that breaks in the middle is thrown away, and what was begun is not done', async () => {
  const scope = await newScope()
  const id = await made(scope)
  const breaking = inWorkspace(scope, async (tx) => {
    await tx.update(installation).set({ setAsideBy: 'nobody' }).where(eq(installation.id, id))
    await tx.execute(sql`select pg_terminate_backend(pg_backend_pid())`)
  })
  expect(isDatabaseGone(await breaking.catch((error: unknown) => error))).toBe(true)
  expect((await getInstallation(scope, id))?.kind).toBe('open')
  expect(await listSetAside(scope)).toEqual([])
})

describe('a database that does not suit', () => {
  test('made by a newer program: refused, nothing changed', async () => {
    await database().execute(
      `insert into drizzle.__drizzle_migrations (hash, created_at) values ('from the future', 9999999999999)`,
    )
    await expect(migrateDatabase()).rejects.toThrow(DatabaseUnfit)
    await database().execute(`delete from drizzle.__drizzle_migrations where hash = 'from the future'`)
    await expect(migrateDatabase()).resolves.toBeUndefined()
  })
  test('one that is not there is told apart from one that refuses', async () => {
    const client = new Client({ connectionString: url().replace(/:\d+\//, ':1/') })
    expect(isDatabaseGone(await client.connect().catch((error: unknown) => error))).toBe(true)
    expect(
      isDatabaseGone(
        await database()
          .execute('select nothing')
          .catch((error: unknown) => error),
      ),
    ).toBe(false)
  })
})
