import { writeFileSync } from 'node:fs'
import { bytesOf, entriesOf, openZip } from '@/archive/zip'
import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { readInstallationPart } from '@/core/formats/workspaceFile/format'
import { openInstallation } from '@/core/installation/open'
import { fingerprintOf, shortFingerprint } from '@/core/json/fingerprint'
import { parseJson } from '@/core/json/parseJson'
import type { Outcome } from '@/core/json/problem'
import { readFinding } from '@/core/prove/finding'
import { VERDICTS } from '@/core/prove/verdict'
import type { UnitPreference } from '@/core/quantity/format'
import { unitsOf } from '@/cli/units'
import { readLocalRules } from '@/core/record/localRule'
import { readOpenItems } from '@/core/record/readOpenItems'
import type { Sealed } from '@/core/record/sealed'
import { sealState, sealStateText } from '@/core/record/sealState'
import { problemLine } from '@/core/words/problems'
import type { PaperName } from '@/print/paper'

type Part = Extract<ReturnType<typeof readInstallationPart>, { ok: true }>['value']

const PAPERS: readonly string[] = ['record', 'card', 'sheet', 'label', 'calendar', 'settings'] satisfies PaperName[]

/** Whether a call is for one of the papers of an exported zip. */
export const isForPapers = (name: string, args: readonly string[]): boolean =>
  (PAPERS.includes(name) && args.some((arg) => arg.endsWith('.zip'))) ||
  ['record', 'sheet', 'label', 'calendar'].includes(name) ||
  (name === 'check' && args.includes('--seal'))

/** The installations in a zip, as they were exported. */
async function partsOf(file: string, { err }: Streams): Promise<Part[]> {
  const zip = await openZip(file).catch((error: unknown) => {
    throw new UsageError(`Cannot read ${file}: ${error instanceof Error ? error.message : String(error)}`)
  })
  try {
    const entries = [...(await entriesOf(zip))].filter(([name]) => /^installations\/[^/]+\.json$/.test(name))
    const parts: Part[] = []
    for (const [name, entry] of entries) {
      const data = parseJson((await bytesOf(zip, entry)).toString('utf8'))
      const read: Outcome<Part> = data.ok ? readInstallationPart(data.value) : data
      if (read.ok) parts.push(read.value)
      else for (const problem of read.problems) err(`${file}: ${name}: ${problemLine(problem)}`)
    }
    return parts
  } finally {
    zip.close()
  }
}

/** What the papers of a part are made of: its last seal, one by number, or its working copy. */
async function sealedOf(part: Part, rev: string | undefined, preference: UnitPreference): Promise<Sealed | null> {
  const revision =
    rev === 'working'
      ? undefined
      : rev === undefined
        ? part.revisions.at(-1)
        : part.revisions.find(({ number }) => String(number) === rev)
  if (rev !== undefined && rev !== 'working' && !revision) return null
  const opened = openInstallation(revision ? revision.document : part.document)
  if (opened.kind === 'unreadable') return null
  const earlier = part.revisions.filter(({ number }) => !revision || number < revision.number).at(-1)
  const before = earlier && openInstallation(earlier.document)
  const open = revision && readOpenItems(revision.open)
  const rules = revision && readLocalRules(revision.localRules ?? [])
  return {
    document: opened.document,
    siteName: part.site,
    seal: revision
      ? {
          ...revision,
          open: open?.ok ? open.value : null,
          fingerprint: revision.fingerprint ?? (await fingerprintOf(revision.document)),
          signedAt: revision.signedAt ?? null,
          signature: revision.signature ?? null,
          localRules: rules?.ok ? rules.value : [],
        }
      : null,
    results: part.checks.map(({ check, given, verdict, finding, note = '', readBy, readAt }) => {
      const read = readFinding(finding)
      return {
        ...{ check, given, note, readBy, readAt },
        verdict: VERDICTS.find((known) => known === verdict) ?? 'cannot-tell',
        finding: read.ok ? read.value : { code: 'as-written' as const, text: '' },
      }
    }),
    before: before && before.kind !== 'unreadable' ? before.document : null,
    photos: (part.photos ?? []).map(({ caption, takenAt, type, data }) => ({
      ...{ caption, takenAt },
      dataUrl: `data:${type};base64,${data}`,
    })),
    address: null,
    preference,
  }
}

/** Verifies that each sealed revision of a zip is what was sealed: its fingerprint again from its bytes. */
async function checkSeals(file: string, streams: Streams): Promise<number> {
  let wrong = 0
  for (const { document: _document, revisions, id } of await partsOf(file, streams)) {
    if (revisions.length === 0) streams.out(`${file}: ${id}: nothing was sealed`)
    for (const { number, document, fingerprint, open } of revisions) {
      const now = await fingerprintOf(document)
      const read = readOpenItems(open)
      const state = sealStateText(sealState(read.ok ? read.value : null))
      const said = `revision ${number}, ${state}, fingerprint ${shortFingerprint(now)}`
      if (!fingerprint)
        streams.out(`${file}: ${said}: sealed before fingerprints were kept, so nothing to compare with`)
      else if (fingerprint === now) streams.out(`${file}: ${said}: as it was sealed`)
      else {
        wrong++
        streams.err(
          `${file}: revision ${number} is not as it was sealed: ${shortFingerprint(fingerprint)} then, ${shortFingerprint(now)} now`,
        )
      }
    }
  }
  return wrong > 0 ? 1 : 0
}

/** `gale record|card|sheet|label|calendar|settings FILE.zip [--out FILE] [--rev N] [--units F,cfm] [--mm N]`, and `gale check --seal FILE.zip`. */
export async function papers(name: string, args: readonly string[], streams: Streams): Promise<number> {
  const usage =
    name === 'check'
      ? 'gale check --seal FILE.zip'
      : `gale ${name} FILE.zip [--out FILE] [--rev N] [--units F,cfm] [--mm N]`
  const text = { type: 'string' } as const
  const { positionals, values } = parseCommandLine(
    args,
    { out: text, rev: text, units: text, mm: text, seal: { type: 'boolean' } },
    usage,
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1) throw new UsageError(`Name one exported zip.\nUsage: ${usage}`)
  if (name === 'check') return checkSeals(file, streams)
  const [part, ...more] = await partsOf(file, streams)
  if (!part) {
    streams.err(`${file}: no installation in it can be read.`)
    return 1
  }
  if (more.length > 0)
    streams.err(`${file}: ${more.length + 1} installations are in it; this is of the first, ${part.id}.`)
  const sealed = await sealedOf(part, values.rev, unitsOf(values.units))
  if (!sealed) {
    streams.err(`${file}: there is no revision ${values.rev ?? ''} that can be opened.`)
    return 1
  }
  const { makePaper, paperFile } = await import('@/print/paper')
  const labelMm = values.mm === undefined ? null : Number(values.mm)
  if (labelMm !== null && !(labelMm >= 20 && labelMm <= 150))
    throw new UsageError('--mm takes a width from 20 to 150 mm.')
  const made = await makePaper(name as PaperName, sealed, { labelMm, now: new Date() })
  const out = values.out ?? paperFile(name as PaperName, sealed, made.extension)
  writeFileSync(out, made.bytes)
  streams.out(out)
  return 0
}
