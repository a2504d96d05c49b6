import { writeFileSync } from 'node:fs'
import { loadInstallation } from '@/cli/load'
import { readTable } from '@/cli/readTable'
import { loadSpace } from '@/cli/rehearseDay'
import { parseCommandLine, readText, UsageError, type Streams } from '@/cli/streams'
import { canonicalJson } from '@/core/json/canonical'
import { learnReadings } from '@/core/learn/fromTable'
import { learn, learntSpace } from '@/core/learn/learn'
import { formatNumber } from '@/core/quantity/format'
import { problemLine } from '@/core/words/problems'

const USAGE = 'gale learn FILE --readings CSV [--space FILE] [--out space.json] [--json]'

/** The figures of a space out of a readings file; writes the space where a file is named. */
export function learnCommand(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    { readings: { type: 'string' }, space: { type: 'string' }, out: { type: 'string' }, json: { type: 'boolean' } },
    USAGE,
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1 || values.readings === undefined)
    throw new UsageError(`Name one installation file and its readings.\nUsage: ${USAGE}`)
  const { readings } = values
  const installation = loadInstallation(file, streams)
  const space = installation && loadSpace(values.space, installation, streams)
  if (!installation || !space) return 1
  const table = readTable(readText(readings))
  const taken = table.ok ? learnReadings(table.value, installation, space) : table
  const outcome = taken.ok ? learn(space, installation, taken.value) : taken
  if (!outcome.ok) {
    for (const problem of outcome.problems) streams.err(`${readings}: ${problemLine(problem)}`)
    return 1
  }
  const { figures, fittedK, predictedK, hours } = outcome.value
  if (values.out !== undefined) writeFileSync(values.out, canonicalJson(learntSpace(outcome.value, readings)))
  if (values.json) {
    streams.out(
      JSON.stringify({
        hours,
        fittedK,
        predictedK,
        figures: figures.map(({ key, value, low, high, isTold }) => ({ key, value, low, high, isTold })),
      }),
    )
    return 0
  }
  streams.out(
    `${formatNumber(hours, 1)} h: fits within ${formatNumber(fittedK, 2)} K, the last third predicted within ${formatNumber(predictedK, 2)} K`,
  )
  for (const { key, value, low, high, unit, isTold } of figures)
    streams.out(
      isTold
        ? `${key}\t${formatNumber(value, 2)} ${unit}\t${formatNumber(low, 2)} to ${formatNumber(high, 2)}`
        : `${key}\tthese readings do not tell it`,
    )
  return 0
}
