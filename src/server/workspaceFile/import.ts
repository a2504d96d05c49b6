import { createInterface } from 'node:readline'
import { fromBuffer, open, type Entry, type ZipFile } from 'yauzl'
import type { Readable } from 'node:stream'
import type { ReadingRow } from '@/core/formats/readingsCsv/reader'
import { parseJson } from '@/core/json/parseJson'
import type { Outcome, Problem } from '@/core/json/problem'
import { problemLine } from '@/core/words/problems'
import type { Finding } from '@/core/prove/finding'
import type { Scope } from '@/db/client'
import { addMember } from '@/db/queries/member'
import { importReadings } from '@/db/queries/reading'
import { createWorkspace } from '@/db/queries/workspace'
import { putController, putInstallation, putLog } from '@/db/queries/workspaceFile'
import { isUuid } from '@/server/commands/input'
import { unavailable } from '@/server/result'
import {
  readControllerPart,
  readInstallationPart,
  readLogPart,
  readManifest,
  readReadingsPart,
} from '@/server/workspaceFile/format'

/** No part is larger unpacked; a file that says otherwise is no file of ours. */
const LARGEST_PART_BYTES = 30_000_000
const MOST_PARTS = 100_000
const BATCH = 5000

export type Counted = { readonly installations: number; readonly controllers: number; readonly readings: number }
export type BroughtIn =
  | { readonly kind: 'done'; readonly workspaceId: string; readonly counted: Counted; readonly left: readonly string[] }
  | { readonly kind: 'invalid'; readonly problems: readonly Problem[] }

const refused = (code: 'no_zip' | 'no_manifest'): BroughtIn => ({ kind: 'invalid', problems: [{ code, path: '' }] })

/** Makes a new workspace of a workspace file; whoever brings it in is its owner. A part that cannot be read is left out and named.
 *  @param file path of the zip, or its bytes */
export async function importWorkspace(
  file: string | Buffer,
  who: { personId: string; personName: string },
): Promise<BroughtIn> {
  let zip: ZipFile
  try {
    zip = await opened(file)
  } catch {
    return refused('no_zip')
  }
  try {
    const entries = await entriesOf(zip)
    const manifestEntry = entries.get('workspace.json')
    const manifest = manifestEntry && readManifest(await jsonOf(zip, manifestEntry))
    if (!manifest) return refused('no_manifest')
    if (!manifest.ok) return { kind: 'invalid', problems: manifest.problems }
    const workspaceId = await createWorkspace(manifest.value.name)
    const { personId, personName } = who
    const scope: Scope = { workspaceId, personId, personName }
    const counted = { installations: 0, controllers: 0, readings: 0 }
    const left: string[] = []
    const each = async <T>(
      pattern: RegExp,
      read: (data: unknown) => Outcome<T>,
      put: (part: T, entry: Entry) => Promise<keyof Counted | null>,
    ): Promise<void> => {
      for (const [name, entry] of entries) {
        if (!pattern.test(name)) continue
        try {
          const part = read(await jsonOf(zip, entry))
          const counts = part.ok ? await put(part.value, entry) : null
          if (!part.ok) left.push(`${name}: ${part.problems.slice(0, 2).map(problemLine).join(' ')}`)
          else if (counts) counted[counts]++
        } catch (error) {
          if (unavailable(error)) throw error
          // What the database says is for whoever looks after the server.
          if (!(error instanceof SpoiledPart)) console.error(error)
          left.push(`${name}: ${error instanceof SpoiledPart ? error.message : 'it could not be stored'}`)
        }
      }
    }
    await each(/^log\.json$/, readLogPart, async (log) => {
      await putLog(scope, log)
      return null
    })
    await each(/^controllers\/\d+\.json$/, readControllerPart, async (part) => {
      await putController(scope, part)
      return 'controllers'
    })
    await each(/^installations\/[^/]+\.json$/, readInstallationPart, async (part) => {
      if (!isUuid(part.id)) throw new SpoiledPart('its id is none')
      const checks = part.checks.map(({ finding, sentence = '', ...check }) => ({
        ...check,
        finding: finding ?? ({ code: 'as-written', text: sentence } satisfies Finding),
      }))
      await putInstallation(scope, { ...part, checks })
      return 'installations'
    })
    await each(/^readings\/[^/]+\.json$/, readReadingsPart, async ({ columns, feeds: _feeds, ...part }, entry) => {
      const lines = entries.get(entry.fileName.replace(/\.json$/, '.ndjson'))
      if (!lines) throw new SpoiledPart('its readings are missing')
      await importReadings(
        scope,
        { ...part, columns: columns as never },
        batches(await streamOf(zip, lines), columns.length),
      )
      return 'readings'
    })
    await putLog(scope, [
      {
        kind: 'note',
        text: `Brought in from a workspace file that was written at ${manifest.value.writtenAt}${left.length > 0 ? `; ${left.length} parts could not be read` : ''}.`,
        writtenBy: personName,
        writtenAt: new Date().toISOString(),
      },
    ])
    await addMember({ workspaceId, personId, role: 'owner' })
    return { kind: 'done', workspaceId, counted, left: left.slice(0, 50) }
  } finally {
    zip.close()
  }
}

/** A part of the file that is not as it should be; the message says how. */
class SpoiledPart extends Error {}

const opened = (file: string | Buffer): Promise<ZipFile> =>
  new Promise((resolve, reject) => {
    const options = { lazyEntries: true, autoClose: false, validateEntrySizes: true }
    const hear = (error: Error | null, zip?: ZipFile) => (zip ? resolve(zip) : reject(error ?? new Error('no zip')))
    if (typeof file === 'string') open(file, options, hear)
    else fromBuffer(file, options, hear)
  })

const entriesOf = (zip: ZipFile): Promise<Map<string, Entry>> =>
  new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>()
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry)
      if (entries.size > MOST_PARTS) reject(new Error('too many parts'))
      else zip.readEntry()
    })
    zip.once('end', () => resolve(entries))
    zip.once('error', reject)
    zip.readEntry()
  })

const streamOf = (zip: ZipFile, entry: Entry): Promise<Readable> =>
  new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => (stream ? resolve(stream) : reject(error ?? new Error('no part'))))
  })

async function jsonOf(zip: ZipFile, entry: Entry): Promise<unknown> {
  if (entry.uncompressedSize > LARGEST_PART_BYTES) throw new SpoiledPart('it is larger than a part may be')
  const pieces: Buffer[] = []
  for await (const piece of await streamOf(zip, entry)) pieces.push(piece as Buffer)
  const read = parseJson(Buffer.concat(pieces).toString('utf8'))
  if (!read.ok) throw new SpoiledPart(read.problems.map(problemLine).join(' '))
  return read.value
}

async function* batches(stream: Readable, columns: number): AsyncGenerator<ReadingRow[], undefined> {
  let rows: ReadingRow[] = []
  for await (const line of createInterface({ input: stream, crlfDelay: Infinity })) {
    const numbers = JSON.parse(line) as unknown
    if (!Array.isArray(numbers) || numbers.length !== columns + 1 || !numbers.every(Number.isFinite))
      throw new SpoiledPart('a line of its readings is spoiled')
    const [atMs = 0, ...values] = numbers as number[]
    rows.push({ atMs, values })
    if (rows.length < BATCH) continue
    yield rows
    rows = []
  }
  if (rows.length > 0) yield rows
}
