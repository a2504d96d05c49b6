import Papa from 'papaparse'
import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import { guessLayout, layoutProblem } from '@/core/formats/readingsCsv/guessLayout'
import { ReadingLayout } from '@/core/formats/readingsCsv/layout'
import { LARGEST_READINGS_BYTES } from '@/core/formats/readingsCsv/limit'
import { rowReader, type ReadingRow } from '@/core/formats/readingsCsv/reader'
import { AS_WRITTEN } from '@/core/formats/readingsCsv/layout'
import { isZone } from '@/core/formats/readingsCsv/zone'
import type { Problem } from '@/core/json/problem'
import { Feeds } from '@/core/rehearse/feeds'
import type { Scope } from '@/db/client'
import { importReadings, type ReadingFile } from '@/db/queries/reading'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const MOST_PROBLEMS = 20
const BATCH_ROWS = 5000
/** Enough of a file to see how it is laid out. */
const LOOK_BYTES = 65_536

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Uuid,
      name: Type.String({ minLength: 1, maxLength: 120 }),
      /** How the file is to be read; looked for in it where nothing is said. */
      layout: Type.Optional(ReadingLayout),
      /** Which input takes which column, by their places among those that are kept. */
      feeds: Type.Optional(Type.Union([Feeds, Type.Null()])),
    },
    closed,
  ),
)

/** What is wrong with a layout besides its shape; null where it can be read by. */
export function layoutFault(layout: ReadingLayout): Problem | null {
  const wrong = layoutProblem(layout)
  if (wrong !== null) return wrong
  return layout.zone === AS_WRITTEN || isZone(layout.zone)
    ? null
    : { code: 'no_zone', path: 'layout.zone', got: layout.zone }
}

/** Called as the file is read, with bytes and lines so far; what it throws ends the import, and nothing of it is kept. */
export type OnProgress = (bytes: number, lines: number) => Promise<void>

/** A file that cannot be taken; carries every problem found, up to a number a person can read. */
class Refused extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super('readings file refused')
  }
}

/** The first bytes of a body as text, and the body again from its beginning. */
async function lookAhead(body: AsyncIterable<Uint8Array>): Promise<{ head: string; whole: AsyncIterable<Uint8Array> }> {
  const source = body[Symbol.asyncIterator]()
  const held: Uint8Array[] = []
  let bytes = 0
  while (bytes < LOOK_BYTES) {
    const next = await source.next()
    if (next.done) break
    held.push(next.value)
    bytes += next.value.byteLength
  }
  async function* whole(): AsyncGenerator<Uint8Array, undefined> {
    yield* held
    for (let next = await source.next(); !next.done; next = await source.next()) yield next.value
  }
  return { head: new TextDecoder().decode(Buffer.concat(held)), whole: whole() }
}

type Line = { readonly cells: string[]; readonly number: number }

/** The file's lines as cells, numbered as in the file. Whole lines are parsed a piece at a time; a logger's cells hold no line breaks. */
async function* csvLines(
  body: AsyncIterable<Uint8Array>,
  { delimiter, skipLines }: ReadingLayout,
  seen: { bytes: number },
): AsyncGenerator<Line> {
  const decoder = new TextDecoder()
  let [rest, number] = ['', 0]
  const parse = function* (text: string): Generator<Line> {
    for (const cells of Papa.parse<string[]>(text, { delimiter }).data) {
      number++
      if (number > skipLines) yield { cells, number }
    }
  }
  for await (const chunk of body) {
    seen.bytes += chunk.byteLength
    if (seen.bytes > LARGEST_READINGS_BYTES)
      throw new Refused([{ code: 'file_too_large', path: '', mostMb: LARGEST_READINGS_BYTES / 1e6 }])
    rest += decoder.decode(chunk, { stream: true })
    const end = rest.lastIndexOf('\n')
    if (end < 0) continue
    yield* parse(rest.slice(0, end))
    rest = rest.slice(end + 1)
  }
  if (rest.trim() !== '') yield* parse(rest)
}

async function* batches(
  body: AsyncIterable<Uint8Array>,
  layout: ReadingLayout,
  onProgress: OnProgress,
): AsyncGenerator<ReadingRow[]> {
  const read = rowReader(layout)
  const problems: Problem[] = []
  const seen = { bytes: 0 }
  let [lines, isHeader] = [0, true]
  let rows: ReadingRow[] = []
  for await (const { cells, number } of csvLines(body, layout, seen)) {
    if (isHeader) {
      isHeader = false
      continue
    }
    if (cells.length === 1 && cells[0]?.trim() === '') continue
    const outcome = read(cells, number)
    if (outcome.ok) rows.push(outcome.row)
    else if (problems.push(outcome.problem) >= MOST_PROBLEMS)
      throw new Refused([...problems, { code: 'perhaps_more', path: '' }])
    if (rows.length < BATCH_ROWS || problems.length > 0) continue
    yield rows
    lines += rows.length
    rows = []
    await onProgress(seen.bytes, lines)
  }
  if (problems.length > 0) throw new Refused(problems)
  if (rows.length === 0 && lines === 0) throw new Refused([{ code: 'no_readings', path: '' }])
  yield rows
}

/** Imports a readings CSV as it streams in. All lines are kept or none; each bad line is named. */
export async function importReadingsFile(
  scope: Scope,
  input: unknown,
  body: AsyncIterable<Uint8Array>,
  onProgress: OnProgress = () => Promise.resolve(),
): Promise<Result<{ file: ReadingFile }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, installationId, name, layout: asked, feeds } = read.value
  let [layout, whole] = [asked, body]
  if (layout) {
    const fault = layoutFault(layout)
    if (fault) return { kind: 'invalid', problems: [fault] }
  } else {
    const looked = await lookAhead(body)
    const guess = guessLayout(looked.head)
    if (!guess.ok) return { kind: 'invalid', problems: guess.problems }
    layout = guess.value.layout
    whole = looked.whole
  }
  try {
    const file = await importReadings(
      scope,
      {
        id,
        installationId,
        name,
        zone: layout.zone,
        feeds,
        columns: layout.columns.map((column) => ({ name: column.name, quantity: column.quantity })),
      },
      batches(whole, layout, onProgress),
    )
    return file ? { kind: 'done', file } : { kind: 'unknown' }
  } catch (error) {
    if (error instanceof Refused) return { kind: 'invalid', problems: error.problems }
    throw error
  }
}
