import Papa from 'papaparse'
import { Type } from '@sinclair/typebox'
import { validator } from '@/core/document/validator'
import { findColumns, type ReadingColumns } from '@/core/formats/readingsCsv/columns'
import { LARGEST_READINGS_BYTES } from '@/core/formats/readingsCsv/limit'
import { rowReader, type ReadingRow } from '@/core/formats/readingsCsv/reader'
import type { Problem } from '@/core/problem'
import type { Scope } from '@/db/client'
import { importReadings, type ReadingFile } from '@/db/queries/reading'
import { closed, Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const MOST_PROBLEMS = 20
const BATCH_ROWS = 5000

const readInput = validator(
  Type.Object({ id: Uuid, installationId: Uuid, name: Type.String({ minLength: 1, maxLength: 120 }) }, closed),
)

/** A file that cannot be taken; carries every problem found, up to a number a person can read. */
class Refused extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super('readings file refused')
  }
}

const said = (path: string, text: string): Problem => ({ code: 'said', path, text })

/** The file's lines as cells. Whole lines are parsed a piece at a time; a logger's cells hold no line breaks. */
async function* csvLines(
  body: AsyncIterable<Uint8Array>,
  onProgress: (bytes: number) => void,
): AsyncGenerator<string[]> {
  const decoder = new TextDecoder()
  let [bytes, rest, delimiter] = [0, '', '']
  const parse = function* (text: string): Generator<string[]> {
    const { data, meta } = Papa.parse<string[]>(text, { delimiter })
    delimiter ||= meta.delimiter
    yield* data
  }
  for await (const chunk of body) {
    bytes += chunk.byteLength
    if (bytes > LARGEST_READINGS_BYTES)
      throw new Refused([
        said(
          '',
          `The file is larger than ${LARGEST_READINGS_BYTES / 1e6} MB. Cut it by month and import the parts one after another.`,
        ),
      ])
    onProgress(bytes)
    rest += decoder.decode(chunk, { stream: true })
    const end = rest.lastIndexOf('\n')
    if (end < 0) continue
    yield* parse(rest.slice(0, end))
    rest = rest.slice(end + 1)
  }
  if (rest.trim() !== '') yield* parse(rest)
}

async function* batches(lines: AsyncIterable<string[]>, columns: ReadingColumns): AsyncGenerator<ReadingRow[]> {
  const read = rowReader(columns)
  const problems: Problem[] = []
  let lineNumber = 1
  let rows: ReadingRow[] = []
  for await (const cells of lines) {
    lineNumber++
    if (cells.length === 1 && cells[0]?.trim() === '') continue
    const outcome = read(cells, lineNumber)
    if (outcome.ok) rows.push(outcome.row)
    else if (problems.push(outcome.problem) >= MOST_PROBLEMS)
      throw new Refused([...problems, said('', 'There may be more; these come first.')])
    if (rows.length >= BATCH_ROWS && problems.length === 0) {
      yield rows
      rows = []
    }
  }
  if (problems.length > 0) throw new Refused(problems)
  if (rows.length === 0 && lineNumber < 3)
    throw new Refused([said('', 'There is no line of readings under the headings.')])
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
  const lines = csvLines(body, onProgress)
  try {
    const header = await lines.next()
    if (header.done) throw new Refused([said('', 'The file is empty.')])
    const columns = findColumns(header.value)
    if (!columns.ok) throw new Refused(columns.problems)
    const file = await importReadings(
      scope,
      { ...read.value, columns: columns.value.columns.map(({ quantity }) => quantity) },
      batches(lines, columns.value),
    )
    return file ? { kind: 'done', file } : { kind: 'unknown' }
  } catch (error) {
    if (error instanceof Refused) return { kind: 'invalid', problems: error.problems }
    throw error
  } finally {
    await lines.return(undefined)
  }
}
