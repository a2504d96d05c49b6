import { Readable } from 'node:stream'
import Papa from 'papaparse'
import { Type } from '@sinclair/typebox'
import { validator } from '@/core/document/validator'
import { findColumns, type ReadingColumns } from '@/core/formats/readingsCsv/columns'
import { rowReader, type ReadingRow } from '@/core/formats/readingsCsv/reader'
import type { Problem } from '@/core/problem'
import type { Scope } from '@/db/client'
import { importReadings, type ReadingFile } from '@/db/queries/reading'
import { closed, Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

export const LARGEST_READINGS_BYTES = 64_000_000
const MOST_PROBLEMS = 20
const BATCH_ROWS = 5000

const readInput = validator(Type.Object({ id: Uuid, installationId: Uuid, name: Type.String({ minLength: 1, maxLength: 120 }) }, closed))

/** A file that cannot be taken; carries every problem found, up to a number a person can read. */
class Refused extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super('readings file refused')
  }
}

const said = (path: string, text: string): Problem => ({ code: 'said', path, text })

async function* countBytes(source: AsyncIterable<Uint8Array>, onBytes: (bytes: number) => void): AsyncGenerator<Uint8Array> {
  let bytes = 0
  for await (const chunk of source) {
    bytes += chunk.byteLength
    if (bytes > LARGEST_READINGS_BYTES)
      throw new Refused([said('', `The file is larger than ${LARGEST_READINGS_BYTES / 1e6} MB. Cut it by month and import the parts one after another.`)])
    onBytes(bytes)
    yield chunk
  }
}

async function* batches(lines: AsyncIterable<unknown>, columns: ReadingColumns): AsyncGenerator<ReadingRow[]> {
  const read = rowReader(columns)
  const problems: Problem[] = []
  let lineNumber = 1
  let rows: ReadingRow[] = []
  for await (const line of lines) {
    lineNumber++
    const cells = line as string[]
    if (cells.length === 1 && cells[0]?.trim() === '') continue
    const outcome = read(cells, lineNumber)
    if (outcome.ok) rows.push(outcome.row)
    else if (problems.push(outcome.problem) >= MOST_PROBLEMS) throw new Refused([...problems, said('', 'There may be more; these come first.')])
    if (rows.length >= BATCH_ROWS && problems.length === 0) {
      yield rows
      rows = []
    }
  }
  if (problems.length > 0) throw new Refused(problems)
  if (rows.length === 0 && lineNumber < 3) throw new Refused([said('', 'There is no line of readings under the headings.')])
  yield rows
}

/** Imports a readings CSV as it streams in. All lines are kept or none; each bad line is named.
 *  @param onProgress called with the bytes read so far */
export async function importReadingsFile(
  scope: Scope,
  input: unknown,
  body: AsyncIterable<Uint8Array>,
  onProgress: (bytes: number) => void = () => undefined,
): Promise<Result<{ file: ReadingFile }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const parser = Papa.parse(Papa.NODE_STREAM_INPUT, { delimiter: '' })
  const source = Readable.from(countBytes(body, onProgress))
  source.on('error', (error) => parser.destroy(error))
  source.pipe(parser)
  try {
    const lines = (parser as AsyncIterable<unknown>)[Symbol.asyncIterator]()
    const header = await lines.next()
    if (header.done) throw new Refused([said('', 'The file is empty.')])
    const columns = findColumns(header.value as string[])
    if (!columns.ok) throw new Refused(columns.problems)
    const rest: AsyncIterable<unknown> = { [Symbol.asyncIterator]: () => lines }
    const file = await importReadings(scope, { ...read.value, columns: columns.value.columns.map(({ quantity }) => quantity) }, batches(rest, columns.value))
    return file ? { kind: 'done', file } : { kind: 'unknown' }
  } catch (error) {
    if (error instanceof Refused) return { kind: 'invalid', problems: error.problems }
    throw error
  } finally {
    source.destroy()
    parser.destroy()
  }
}
