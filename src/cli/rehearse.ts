import { writeFileSync } from 'node:fs'
import Papa from 'papaparse'
import { loadInstallation } from '@/cli/load'
import { readTable } from '@/cli/readTable'
import { DAY_USAGE, rehearseDay } from '@/cli/rehearseDay'
import { parseCommandLine, readText, UsageError, type Streams } from '@/cli/streams'
import { derive } from '@/core/derive/derive'
import { contactState } from '@/core/formats/readingsCsv/reader'
import type { Installation } from '@/core/installation/installation'
import { ok } from '@/core/json/problem'
import { compile } from '@/core/machine/compile'
import { formatNumber, formatPct } from '@/core/quantity/format'
import { parseQuantity } from '@/core/quantity/parse'
import { isMeasured, type Input } from '@/core/rules/input'
import { canFeed, feedText, proposeFeeds, type Feed, type FeedColumn, type Feeds } from '@/core/rehearse/feeds'
import { fedResponse, readingsSeries, type ReadingTable } from '@/core/rehearse/readingsSeries'
import { replay } from '@/core/rehearse/replay'
import { watchedInput } from '@/core/rehearse/watched'
import { problemLine } from '@/core/words/problems'

const USAGE = 'gale rehearse FILE --inputs readings.csv [--feed INPUT=COLUMN|VALUE|out]… [--out trace.csv] [--asked]'

/** `--feed` lines over what is proposed: an input takes a column by its heading, a value, or is left out. */
function chosenFeeds(typed: readonly string[], { columns }: ReadingTable, where: Installation): Feeds {
  const feeds = proposeFeeds(columns, where)
  for (const line of typed) {
    const at = line.indexOf('=')
    const [id, takes] = [line.slice(0, at), line.slice(at + 1).trim()]
    const input = where.response.inputs.find((candidate) => candidate.id === id)
    const known = where.response.inputs.map((candidate) => candidate.id).join(', ')
    if (at < 0 || !input) throw new UsageError(`--feed ${line}: there is no input “${id}”; known: ${known}.`)
    feeds[id] = feedFrom(line, takes, input, columns)
  }
  return feeds
}

function feedFrom(line: string, takes: string, input: Input, columns: readonly FeedColumn[]): Feed {
  if (takes === 'out') return { kind: 'left-out' }
  const column = columns.findIndex(({ name }) => name.toLowerCase() === takes.toLowerCase())
  if (column >= 0) {
    if (!canFeed(columns[column]!.quantity, input))
      throw new UsageError(
        `--feed ${line}: “${columns[column]!.name}” holds ${columns[column]!.quantity}, no ${input.kind}.`,
      )
    return { kind: 'column', column }
  }
  const value = isMeasured(input) ? parseQuantity(takes, input.kind) : ok(contactState(takes))
  if (value.ok && value.value !== null) return { kind: 'hold', value: value.value }
  throw new UsageError(
    `--feed ${line}: “${takes}” is neither a column (${columns.map(({ name }) => name).join(', ')}), a value, nor “out”.`,
  )
}

/** Runs readings through an installation's response, open loop; writes a line of speeds a reading and prints the measures. */
export function rehearse(args: readonly string[], streams: Streams): number {
  const usage = `${USAGE}\n       ${DAY_USAGE}`
  const { values, positionals } = parseCommandLine(
    args,
    {
      inputs: { type: 'string' },
      out: { type: 'string' },
      asked: { type: 'boolean' },
      feed: { type: 'string', multiple: true },
      scenario: { type: 'string' },
      space: { type: 'string' },
      days: { type: 'string' },
      seed: { type: 'string' },
      step: { type: 'string' },
      measures: { type: 'boolean' },
    },
    usage,
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1 || (values.inputs === undefined) === (values.scenario === undefined))
    throw new UsageError(`Name one installation file and its readings, or a day.\nUsage: ${usage}`)
  if (values.scenario !== undefined) return rehearseDay(file, { ...values, scenario: values.scenario }, streams)
  return rehearseReadings(file, values, streams)
}

type ReadingsValues = {
  readonly inputs?: string
  readonly out?: string
  readonly asked?: boolean
  readonly feed?: string[]
}

function rehearseReadings(file: string, values: ReadingsValues, streams: Streams): number {
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  const table = readTable(readText(values.inputs ?? ''))
  if (!table.ok) {
    for (const problem of table.problems) streams.err(`${values.inputs}: ${problemLine(problem)}`)
    return 1
  }
  const derived = derive(installation)
  const { response } = values.asked ? derived.asked : derived.given
  const feeds = chosenFeeds(values.feed ?? [], table.value, installation)
  const compiled = compile(fedResponse(response, feeds))
  if (!compiled.ok) {
    for (const problem of compiled.problems) streams.err(`${file}: response.${problemLine(problem)}`)
    return 1
  }
  const machine = compiled.value
  const watched = watchedInput('temperature', installation)
  const limit = installation.brief.targets.find(({ quantity }) => quantity === 'temperature')?.limitAbove ?? null
  const { fansPct, measures } = replay(machine, readingsSeries(table.value, feeds), {
    watch:
      watched && limit !== null && machine.inputIds.includes(watched.id) ? { input: watched.id, limit } : undefined,
  })
  if (values.out !== undefined) {
    const rows = table.value.atMs.map((atMs, index) => [
      new Date(atMs).toISOString(),
      ...fansPct.map((speeds) => Number(speeds[index]!.toFixed(3))),
    ])
    writeFileSync(
      values.out,
      `${Papa.unparse({ fields: ['time', ...machine.fanIds.map((id) => `${id} (%)`)], data: rows }, { newline: '\n', escapeFormulae: true })}\n`,
    )
  }
  streams.out(
    `${table.value.atMs.length} readings over ${formatNumber(measures.hours, 1)} h: mean speed ${formatPct(measures.meanPct)} %, ${measures.starts} starts, ${measures.speedChanges} speed changes, ${formatNumber(measures.minutesAtCeiling, 0)} min at the ceiling`,
  )
  if (measures.minutesAbove !== null) streams.out(`${formatNumber(measures.minutesAbove, 0)} min above the limit`)
  for (const input of installation.response.inputs)
    streams.out(`${input.id}: ${feedText(input, feeds[input.id], table.value.columns)}`)
  return 0
}
