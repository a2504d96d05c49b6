import { randomUUID } from 'node:crypto'
import { buffer } from 'node:stream/consumers'
import { ZipFile } from 'yazl'
import { problemText } from '@/core/words/problems'
import type { Scope } from '@/db/client'
import { database } from '@/db/client'
import { addCheckResult, listCheckResults } from '@/db/queries/checkResult'
import { createInstallation, getInstallation } from '@/db/queries/installation'
import { addLogEntry, listLog } from '@/db/queries/log'
import { listMemberships } from '@/db/queries/member'
import { getReadings, listReadingFiles } from '@/db/queries/reading'
import { getSealed, listRevisions, sealRevision } from '@/db/queries/revision'
import { ensureSite, keepSite, listSiteFacts } from '@/db/queries/site'
import { localRulesOf, saveLocalRules, workspaceName } from '@/db/queries/workspace'
import { person } from '@/db/schema'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { importReadingsFile } from '@/server/commands/importReadingsFile'
import { exportWorkspace } from '@/server/workspaceFile/export'
import { importWorkspace } from '@/server/workspaceFile/import'
import { demoInstallation, demoText } from '@/testing/examples'

useThrowawayDatabase()

let scope: Scope
const id = randomUUID()
const RULE = { id: 'roof', duty: 'every', text: 'Two people on a roof.', edition: '2nd', dated: '2026-03-01' } as const

const bytesOf = async function* (text: string) {
  yield await Promise.resolve(new TextEncoder().encode(text))
}

beforeAll(async () => {
  scope = await newScope()
  await database().insert(person).values({ id: scope.personId, name: scope.personName, email: 'tam@reed.example' })
  const { id: siteId, name } = await ensureSite(scope, 'Lock Cottage')
  await keepSite(scope, {
    id: siteId,
    name,
    address: 'Lock 4',
    contact: 'the keeper',
    access: 'key in the shed',
    zone: 'Europe/Oslo',
  })
  await createInstallation(scope, { id, siteId, document: demoInstallation('fruiting-room') })
  await addCheckResult(scope, id, {
    id: randomUUID(),
    check: 'floor',
    given: 'x',
    reading: { kind: 'speed', steps: [{ inputs: {}, fansPct: { exhaust: 25 } }] },
    verdict: 'passes',
    finding: { code: 'seen', asExpected: true },
  })
  await saveLocalRules(scope, [], [RULE])
  await addLogEntry(scope, {
    ...{ id: randomUUID(), installationId: id, kind: 'visit', text: 'Visit: a look.' },
    detail: { why: 'a look' },
  })
  await sealRevision(scope, { id: randomUUID(), installationId: id, version: 1, reason: 'as found', open: [] })
  await addLogEntry(scope, { id: randomUUID(), installationId: null, kind: 'note', text: 'The van is back.' })
  await importReadingsFile(
    scope,
    { id: randomUUID(), installationId: id, name: 'cupboard.csv' },
    bytesOf(demoText('readings/inverter-cupboard-14-nov.csv')),
  )
})

const exported = async () => Buffer.from(await buffer(exportWorkspace(scope)))

/** What a workspace holds, without what only this server gave it. */
async function held(of: Scope) {
  const row = await getInstallation(of, id)
  const [file] = await listReadingFiles(of, id)
  return {
    name: await workspaceName(of),
    rules: await localRulesOf(of),
    row: row?.kind === 'open' ? { ...row, siteId: '', workingCopy: { ...row.workingCopy, saveId: '' } } : row,
    sites: await listSiteFacts(of),
    revisions: await listRevisions(of, id),
    sealed: await getSealed(of, id, 1),
    checks: await listCheckResults(of, id),
    log: (await listLog(of, { installationId: id })).map(({ kind, text, detail, writtenBy, writtenAt }) => ({
      kind,
      text,
      detail,
      writtenBy,
      writtenAt,
    })),
    readings: file && (await getReadings(of, file.id)),
  }
}

test('what is exported comes in again as it was, in a workspace of its own', async () => {
  const made = await importWorkspace(await exported(), scope)
  expect(made).toMatchObject({ kind: 'done', counted: { installations: 1, controllers: 0, readings: 1 }, left: [] })
  if (made.kind !== 'done') return
  expect(await held({ ...scope, workspaceId: made.workspaceId })).toEqual(await held(scope))
  expect(await listMemberships(scope.personId)).toContainEqual({ workspaceId: made.workspaceId, role: 'owner' })
})

test('a part that is spoiled is left out and named; the others come in', async () => {
  const zip = new ZipFile()
  zip.addBuffer(
    Buffer.from(
      JSON.stringify({
        schema: 'soft-gale/workspace@1',
        name: 'Half',
        writtenAt: '2026-11-26T10:00:00Z',
        installations: 1,
      }),
    ),
    'workspace.json',
  )
  zip.addBuffer(Buffer.from('{"id": 7'), 'controllers/1.json')
  zip.addBuffer(Buffer.from('{"id": "x"}'), `installations/${id}.json`)
  zip.addBuffer(
    Buffer.from(JSON.stringify({ id: 'own', document: {}, madeBy: 'Tam', setAsideAt: null })),
    'controllers/2.json',
  )
  zip.end()
  const made = await importWorkspace(Buffer.from(await buffer(zip.outputStream)), scope)
  expect(made).toMatchObject({ kind: 'done', counted: { installations: 0, controllers: 1 } })
  expect(made.kind === 'done' && made.left.map((line) => line.split(':')[0])).toEqual([
    'controllers/1.json',
    `installations/${id}.json`,
  ])
})

test('a file of version 1 comes in; what its checks said stands as it was written', async () => {
  const zip = new ZipFile()
  const add = (name: string, part: unknown) => zip.addBuffer(Buffer.from(JSON.stringify(part)), name)
  const at = '2026-10-01T10:00:00Z'
  const made = randomUUID()
  add('workspace.json', { schema: 'soft-gale/workspace@1', name: 'Former', writtenAt: at, installations: 1 })
  add(`installations/${made}.json`, {
    id: made,
    site: 'Lock Cottage',
    createdAt: at,
    setAsideAt: null,
    setAsideBy: null,
    document: demoInstallation('fruiting-room'),
    version: 3,
    savedBy: 'Tam Reed',
    savedAt: at,
    revisions: [],
    checks: [
      {
        id: randomUUID(),
        check: 'floor',
        given: 'x',
        reading: {},
        verdict: 'holds',
        sentence: '2 points off.',
        readBy: 'Tam Reed',
        readAt: at,
      },
    ],
    log: [],
  })
  zip.end()
  const brought = await importWorkspace(Buffer.from(await buffer(zip.outputStream)), scope)
  expect(brought).toMatchObject({ kind: 'done', counted: { installations: 1 }, left: [] })
  const there = { ...scope, workspaceId: brought.kind === 'done' ? brought.workspaceId : '' }
  expect(await listCheckResults(there, made)).toMatchObject([
    { verdict: 'passes', finding: { code: 'as-written', text: '2 points off.' } },
  ])
})

test.each([
  ['no zip', Buffer.from('hello'), /no zip file/],
  ['an empty file', Buffer.alloc(0), /no zip file/],
])('%s is refused with a way out', async (_name, file, text) => {
  const made = await importWorkspace(file, scope)
  expect(made.kind === 'invalid' && made.problems.map(problemText).join(' ')).toMatch(text)
})
