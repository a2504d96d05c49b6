import { writeFileSync } from 'node:fs'
import Papa from 'papaparse'
import { loadInstallation } from '@/cli/load'
import { parseCommandLine, readText, UsageError, type Streams } from '@/cli/streams'
import { derive } from '@/core/derive'
import { guessLayout } from '@/core/formats/readingsCsv/guessLayout'
import { rowReader } from '@/core/formats/readingsCsv/reader'
import { bad, good, problemLine, type Outcome, type Problem } from '@/core/problem'
import { formatNumber, formatPct } from '@/core/quantity/format'
import { readingsSeries, type ReadingTable } from '@/core/space/readingsSeries'
import { replay } from '@/core/space/replay'

const USAGE = 'gale rehearse FILE --inputs readings.csv [--out trace.csv] [--asked]'
const MOST_PROBLEMS = 20

/** A readings CSV as a table, or every bad line up to a number a person can read. */
function readTable(text: string): Outcome<ReadingTable> {
  const guess = guessLayout(text)
  if (!guess.ok) return guess
  const { layout } = guess.value
  const lines = Papa.parse<string[]>(text.trimEnd(), { delimiter: layout.delimiter }).data
  const read = rowReader(layout)
  const problems: Problem[] = []
  const atMs: number[] = []
  const values = layout.columns.map((): number[] => [])
  lines.slice(layout.skipLines + 1).forEach((cells, index) => {
    const outcome = read(cells, layout.skipLines + index + 2)
    if (!outcome.ok) problems.push(outcome.problem)
    else {
      atMs.push(outcome.row.atMs)
      outcome.row.values.forEach((value, column) => values[column]!.push(value))
    }
  })
  return problems.length > 0
    ? bad(...problems.slice(0, MOST_PROBLEMS))
    : good({ columns: layout.columns.map(({ quantity }) => quantity), atMs, values, zone: layout.zone })
}

/** Runs readings through an installation's response, open loop; writes a line of speeds a reading and prints the measures. */
export function rehearse(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    { inputs: { type: 'string' }, out: { type: 'string' }, asked: { type: 'boolean' } },
    USAGE,
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1 || values.inputs === undefined)
    throw new UsageError(`Name one installation file and its readings.\nUsage: ${USAGE}`)
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  const table = readTable(readText(values.inputs))
  if (!table.ok) {
    for (const problem of table.problems) streams.err(`${values.inputs}: ${problemLine(problem)}`)
    return 1
  }
  const derived = derive(installation)
  const { machine } = values.asked ? derived.asked : derived.given
  if (!machine) return 1
  const { response, brief } = installation
  const watched = response.inputs.find(({ kind }) => kind === 'temperature')
  const limit = brief.targets.find(({ quantity }) => quantity === 'temperature')?.limitAbove ?? null
  const { fansPct, measures } = replay(machine, readingsSeries(table.value, response), {
    watch: watched && limit !== null ? { input: watched.id, limit } : undefined,
  })
  if (values.out !== undefined) {
    const rows = table.value.atMs.map((atMs, index) => [
      new Date(atMs).toISOString(),
      ...fansPct.map((speeds) => Number(speeds[index]!.toFixed(3))),
    ])
    writeFileSync(
      values.out,
      `${Papa.unparse({ fields: ['time', ...machine.fanIds.map((id) => `${id} (%)`)], data: rows }, { newline: '\n' })}\n`,
    )
  }
  streams.out(
    `${table.value.atMs.length} readings over ${formatNumber(measures.hours, 1)} h: mean speed ${formatPct(measures.meanPct)} %, ${measures.starts} starts, ${measures.speedChanges} speed changes, ${formatNumber(measures.minutesAtCeiling, 0)} min at the ceiling`,
  )
  if (measures.minutesAbove !== null) streams.out(`${formatNumber(measures.minutesAbove, 0)} min above the limit`)
  return 0
}
