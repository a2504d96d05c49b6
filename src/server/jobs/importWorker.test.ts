import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import type { ReadingLayout } from '@/core/formats/readingsCsv/layout'
import { writeReadingsCsv } from '@/core/formats/readingsCsv/write'
import { problemLine } from '@/core/words/problems'
import { database, type Scope } from '@/db/client'
import { importPieces, listImports, workNextImport } from '@/db/queries/importJob'
import { createInstallation } from '@/db/queries/installation'
import {
  getReadingFile,
  listReadingFiles,
  MOST_REPLAYED,
  getReadings,
  readingRows,
  viewReadings,
} from '@/db/queries/reading'
import { ensureSite } from '@/db/queries/site'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { cancelImport } from '@/server/commands/cancelImport'
import { sendReadings } from '@/server/commands/sendReadings'
import { runImports } from '@/server/jobs/importWorker'
import { demoInstallation } from '@/testing/examples'

useThrowawayDatabase()

const layout: ReadingLayout = {
  delimiter: ',',
  decimal: '.',
  dateOrder: 'ymd',
  zone: 'as-written',
  skipLines: 0,
  timeIndex: 0,
  columns: [{ index: 1, name: 'attic', quantity: 'temperature', unit: '°C' }],
}
let scope: Scope
let installationId: string
beforeEach(async () => {
  scope = await newScope()
  installationId = randomUUID()
  const { id: siteId } = await ensureSite(scope, 'Lock Cottage')
  await createInstallation(scope, { id: installationId, siteId, document: demoInstallation('fruiting-room') })
})

const START = Date.UTC(2026, 9, 20)
const minutes = (count: number) =>
  `time,attic\n${Array.from({ length: count }, (_, index) => `${new Date(START + index * 60_000).toISOString().slice(0, 16)},${(20 + Math.sin(index / 500)).toFixed(2)}`).join('\n')}\n`

async function* inPieces(text: string) {
  const bytes = new TextEncoder().encode(text)
  for (let at = 0; at < bytes.length; at += 300_000) yield await Promise.resolve(bytes.slice(at, at + 300_000))
}
async function send(text: string, more: object = {}): Promise<string> {
  const id = randomUUID()
  const result = await sendReadings(
    scope,
    {
      id,
      installationId,
      name: 'attic.csv',
      bytes: new TextEncoder().encode(text).length,
      layout,
      feeds: null,
      ...more,
    },
    inPieces(text),
  )
  expect(result).toEqual({ kind: 'done', id })
  return id
}
const job = async (id: string) => (await listImports(scope, installationId)).find((candidate) => candidate.id === id)!
const months = async () =>
  (
    await database().execute<{ name: string }>(
      sql`select inhrelid::regclass::text as name from pg_inherits where inhparent = 'reading'::regclass order by 1`,
    )
  ).rows.map(({ name }) => name)

test('a file is taken, waits, is read, and lies in the months it spans; its bytes are gone', async () => {
  const id = await send(minutes(30_000))
  expect(await job(id)).toMatchObject({ state: 'waiting', lineCount: 0 })
  await runImports()
  expect(await job(id)).toMatchObject({ state: 'done', lineCount: 30_000, problems: [] })
  expect(await listReadingFiles(scope, installationId)).toMatchObject([
    { id, lineCount: 30_000, fromMs: START, columns: [{ name: 'attic', quantity: 'temperature' }] },
  ])
  expect(await months()).toEqual(['reading_2026_10', 'reading_2026_11'])
  expect((await importPieces(scope, id).next()).value).toBeUndefined()
  expect(await runImports()).toBeUndefined()
})

test('a bad line far down: it is named, and nothing of the file is kept', async () => {
  const id = await send(`${minutes(12_000)}2027-01-01 00:00,hot\n`)
  await runImports()
  const { state, problems } = await job(id)
  expect(state).toBe('refused')
  expect(problems.map(problemLine)).toEqual(['line 12002: “hot” in attic is not a number.'])
  expect(await listReadingFiles(scope, installationId)).toEqual([])
})

test('one that is cancelled while it waits, and one while it is read, leave nothing', async () => {
  const waiting = await send(minutes(10))
  expect(await cancelImport(scope, { id: waiting })).toEqual({ kind: 'done' })
  const reading = await send(minutes(20_000))
  // The worker looks between batches of 5,000 lines: the wish is there before the second.
  await cancelImport(scope, { id: reading })
  await runImports()
  expect([(await job(waiting)).state, (await job(reading)).state]).toEqual(['cancelled', 'cancelled'])
  expect(await listReadingFiles(scope, installationId)).toEqual([])
  expect(await cancelImport(scope, { id: reading })).toEqual({ kind: 'unknown' })
})

test('a worker that dies in the middle leaves the job to the next one', async () => {
  const id = await send(minutes(100))
  await expect(
    workNextImport(async (_workspace, taken) => {
      expect(taken).toBe(id)
      // While it is held nobody else gets it.
      expect(await workNextImport(() => Promise.reject(new Error('taken twice')))).toBe(false)
      throw new Error('power cut')
    }),
  ).rejects.toThrow('power cut')
  await runImports()
  expect(await job(id)).toMatchObject({ state: 'done', lineCount: 100 })
})

test.each([
  { name: 'fewer bytes than announced', more: { bytes: 5000 }, wording: /did not arrive whole/ },
  { name: 'more bytes than announced', more: { bytes: 10 }, wording: /did not arrive whole/ },
  {
    name: 'a unit the quantity has not',
    more: { layout: { ...layout, columns: [{ ...layout.columns[0], unit: 'bar' }] } },
    wording: /no unit of temperature/,
  },
  { name: 'a zone nobody knows', more: { layout: { ...layout, zone: 'Nowhere' } }, wording: /is no time zone/ },
  { name: 'a layout of another shape', more: { layout: { ...layout, delimiter: '#' } }, wording: /layout\.delimiter/ },
])('$name: refused at the door, and no job is left', async ({ more, wording }) => {
  const text = minutes(3)
  const input = { id: randomUUID(), installationId, name: 'x.csv', bytes: text.length, layout, feeds: null, ...more }
  const result = await sendReadings(scope, input, inPieces(text))
  expect(result.kind === 'invalid' ? result.problems.map(problemLine).join(' ') : result.kind).toMatch(wording)
  expect(await listImports(scope, installationId)).toEqual([])
})

describe('what a chart and a replay are given', () => {
  test('no more points than stretches, and no peak is lost', async () => {
    const id = await send(minutes(20_000).replace(/,\d+\.\d+\n$/, ',55.00\n'))
    await runImports()
    const file = (await getReadingFile(scope, id))!
    const view = (await viewReadings(scope, id, file.fromMs, file.toMs, 300))!
    expect(view.columns[0]!.length).toBeLessThanOrEqual(300)
    expect(Math.max(...view.columns[0]!.map(([, , high]) => high))).toBe(55)
    const near = (await viewReadings(scope, id, START, START + 10 * 60_000, 300))!
    expect(near.columns[0]!.map(([atMs]) => (atMs - START) / 60_000)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
  })

  test('written out, it is the same readings again', async () => {
    const id = await send(minutes(12_345))
    await runImports()
    const file = (await getReadingFile(scope, id))!
    const write = writeReadingsCsv(file.columns, file.zone)
    let text = write.header
    for await (const page of readingRows(scope, file)) text += write.rows(page)
    const again = await send(text)
    await runImports()
    expect(await getReadings(scope, again)).toEqual(await getReadings(scope, id))
  }, 60_000)

  test('a file longer than is replayed comes as means', async () => {
    const count = MOST_REPLAYED + 5000
    const id = await send(minutes(count))
    await runImports()
    const table = (await getReadings(scope, id))!
    expect(table.atMs.length).toBeLessThanOrEqual(MOST_REPLAYED)
    expect(table.meanOverMs).toBeGreaterThan(60_000)
    const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
    const all = Array.from({ length: count }, (_, index) => 20 + Math.sin(index / 500))
    expect(mean(table.values[0]!)).toBeCloseTo(mean(all), 1)
  }, 120_000)
})
