import { createInterface } from 'node:readline'
import type { Entry, ZipFile } from 'yauzl'
import type { Readable } from 'node:stream'
import { bytesOf, entriesOf, openZip, streamOf } from '@/archive/zip'
import type { ReadingRow } from '@/core/formats/readingsCsv/reader'
import { parseJson } from '@/core/json/parseJson'
import type { Outcome, Problem } from '@/core/json/problem'
import { problemLine } from '@/core/words/problems'
import type { Finding } from '@/core/prove/finding'
import { readLocalRules } from '@/core/record/localRule'
import type { Scope } from '@/db/client'
import { isZone } from '@/core/formats/readingsCsv/zone'
import { addMember } from '@/db/queries/member'
import { importReadings } from '@/db/queries/reading'
import { ensureSite, keepSite } from '@/db/queries/site'
import { createWorkspace, saveLocalRules } from '@/db/queries/workspace'
import { putController, putInstallation, putLog, type InstallationIn } from '@/db/queries/workspaceFile'
import { isUuid } from '@/server/commands/input'
import { unavailable } from '@/server/result'
import {
  readControllerPart,
  readInstallationPart,
  readLogPart,
  readManifest,
  readReadingsPart,
} from '@/core/formats/workspaceFile/format'

/** No part is larger unpacked; a file that says otherwise is no file of ours. */
const LARGEST_PART_BYTES = 30_000_000
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
    zip = await openZip(file)
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
      await putLog(scope, wholeEntries(log))
      return null
    })
    await each(/^controllers\/\d+\.json$/, readControllerPart, async (part) => {
      await putController(scope, part)
      return 'controllers'
    })
    await each(/^installations\/[^/]+\.json$/, readInstallationPart, async (part) => {
      if (!isUuid(part.id)) throw new SpoiledPart('its id is none')
      await putInstallation(scope, installationIn(part))
      return 'installations'
    })
    await each(/^readings\/[^/]+\.json$/, readReadingsPart, async (part, entry) => {
      await takeReadings(scope, zip, entries, entry, part)
      return 'readings'
    })
    for (const { name, zone = '', ...facts } of manifest.value.sites ?? [])
      // A zone this machine does not know would be no use to it.
      await keepSite(scope, { ...(await ensureSite(scope, name)), ...facts, zone: isZone(zone) ? zone : '' })
    const rules = readLocalRules(manifest.value.localRules ?? [])
    if (rules.ok) await saveLocalRules(scope, [], rules.value)
    else left.push('The local rules could not be read.')
    await putLog(scope, [
      {
        kind: 'note',
        corrects: null,
        detail: null,
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

type InstallationPart = Extract<ReturnType<typeof readInstallationPart>, { ok: true }>['value']
type ReadingsPart = Extract<ReturnType<typeof readReadingsPart>, { ok: true }>['value']

/** A part as it is stored: what a former file did not have is filled in. */
export const installationIn = ({ checks, revisions, log, photos = [], ...part }: InstallationPart): InstallationIn => ({
  ...part,
  photos,
  checks: checks.map(({ finding, sentence = '', note = '', takenAt = null, ...check }) => ({
    ...{ ...check, note, takenAt },
    finding: finding ?? ({ code: 'as-written', text: sentence } satisfies Finding),
  })),
  revisions: revisions.map(
    ({ fingerprint = null, signedAt = null, signature = null, localRules = null, ...sealed }) => ({
      ...sealed,
      ...{ fingerprint, signedAt, signature, localRules },
    }),
  ),
  log: wholeEntries(log),
})

/** Takes the readings of a part in, from the lines that stand beside it. */
export async function takeReadings(
  scope: Scope,
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  entry: Entry,
  { columns, feeds: _feeds, ...part }: ReadingsPart,
): Promise<void> {
  const lines = entries.get(entry.fileName.replace(/\.json$/, '.ndjson'))
  if (!lines) throw new SpoiledPart('its readings are missing')
  await importReadings(
    scope,
    { ...part, columns: columns as never },
    batches(await streamOf(zip, lines), columns.length),
  )
}

/** Entries of a former file put nothing right, and are of no visit. */
const wholeEntries = <T extends { corrects?: string | null; detail?: unknown }>(log: readonly T[]) =>
  log.map(({ corrects = null, detail = null, ...entry }) => ({ ...entry, corrects, detail }))

/** A part of the file that is not as it should be; the message says how. */
export class SpoiledPart extends Error {}

/** A part of a zip as JSON.
 *  @throws {SpoiledPart} when it is none, or too large */
export async function jsonOf(zip: ZipFile, entry: Entry): Promise<unknown> {
  if (entry.uncompressedSize > LARGEST_PART_BYTES) throw new SpoiledPart('it is larger than a part may be')
  const read = parseJson((await bytesOf(zip, entry)).toString('utf8'))
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
