import { fanIdsOf } from '@/core/response/fanIds'
import { existsSync, writeFileSync } from 'node:fs'
import Papa from 'papaparse'
import { loadDocument, loadInstallation } from '@/cli/load'
import { UsageError, type Streams } from '@/cli/streams'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { readScenario, readSpace } from '@/core/installation/read'
import { daysOf, usualStepS } from '@/core/rehearse/daysOf'
import { findHunts } from '@/core/rehearse/hunting'
import { measure, measureContext } from '@/core/rehearse/measures'
import { makeStage, rehearse as run } from '@/core/rehearse/run'
import type { Trace } from '@/core/rehearse/trace'
import { huntText, measureName, measureValue, momentText, VERDICT_WORDS } from '@/core/rehearse/words'
import { dateOf } from '@/core/rules/yearDay'
import { SPANS } from '@/core/scenario/builtIn'
import { checkScenarioHere } from '@/core/scenario/checkScenario'
import type { Scenario } from '@/core/scenario/schema'
import { checkSpaceHere } from '@/core/space/checkSpace'
import { readInputs, spaceOf } from '@/core/space/starting'
import type { Space } from '@/core/space/schema'
import { problemLine } from '@/core/words/problems'

export const DAY_USAGE =
  'gale rehearse FILE --scenario NAME|FILE [--space FILE] [--days 1] [--seed n] [--step SECONDS] [--out trace.csv] [--measures] [--asked]'

const MOST_STEP_S = 3600

/** A whole number of an option; what it is where it is none is a matter of usage. */
function wholeNumber(
  name: string,
  text: string | undefined,
  otherwise: number,
  [least, most]: readonly [number, number],
): number {
  if (text === undefined) return otherwise
  const value = Number(text)
  if (!Number.isInteger(value) || value < least || value > most)
    throw new UsageError(`--${name} ${text}: a whole number from ${least} to ${most}.`)
  return value
}

/** The space in a file, or the installation’s own; null when it is wrong, after saying so. */
export function loadSpace(file: string | undefined, installation: Installation, streams: Streams): Space | null {
  // A file has to fit as it is; what an installation has of its own is brought to the fans and inputs that are there.
  const space = file === undefined ? spaceOf(installation) : loadDocument(file, readSpace, streams)
  if (!space) return null
  const problems = checkSpaceHere(space, installation)
  for (const problem of problems) streams.err(`${file ?? 'space'}: ${problemLine(problem)}`)
  return problems.length > 0 ? null : space
}

/** A day by its name or its file; null when it is wrong, after saying so. */
export function loadScenario(
  name: string,
  installation: Installation,
  space: Space,
  days: number,
  streams: Streams,
): Scenario | null {
  const known = daysOf(installation, space, days)
  const found = known.find(({ id }) => id === name)
  if (!found && !existsSync(name))
    throw new UsageError(`There is no day “${name}” and no such file. Known: ${known.map(({ id }) => id).join(', ')}.`)
  const scenario = found ?? loadDocument(name, readScenario, streams)
  if (!scenario) return null
  const here = {
    inputs: [
      ...readInputs(installation.response),
      ...installation.response.inputs.filter(({ kind }) => kind === 'switch'),
    ].map(({ id }) => id),
    fans: fanIdsOf(installation.response),
  }
  const problems = checkScenarioHere(scenario, here)
  for (const problem of problems) streams.err(`${name}: ${problemLine(problem)}`)
  return problems.length > 0 ? null : scenario
}

type Values = {
  readonly scenario: string
  readonly space?: string
  readonly days?: string
  readonly seed?: string
  readonly step?: string
  readonly out?: string
  readonly measures?: boolean
  readonly asked?: boolean
}

/** A trace as CSV: local time, what the controller read, what it gave, what became of the space. */
function traceCsv(trace: Trace): string {
  const startMs = dateOf(trace.startsOn) * 86_400_000
  const round = (x: number) => (Number.isFinite(x) ? Number(x.toFixed(4)) : '')
  const fields = [
    'time',
    ...trace.inputIds.map((id) => `${id} (read)`),
    'asked (%)',
    ...trace.fanIds.map((id) => `${id} (%)`),
    ...trace.readNames,
    'out (L/s)',
    'in (L/s)',
    'over (L/s)',
    'sound (dB)',
    'power (W)',
  ]
  const columns = [
    ...trace.inputs,
    trace.askedPct,
    ...trace.fansPct,
    ...trace.reads,
    trace.outLs,
    trace.inLs,
    trace.overLs,
    trace.soundDb,
    trace.powerW,
  ]
  const data = Array.from({ length: trace.filled }, (_, row) => [
    new Date(startMs + row * trace.stepS * 1000).toISOString().slice(0, 19),
    ...columns.map((column) => round(column[row]!)),
  ])
  return `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`
}

/** Runs a response against the space it serves on a day; prints what it comes to. */
export function rehearseDay(file: string, values: Values, streams: Streams): number {
  const days = wholeNumber('days', values.days, 1, [1, SPANS[2][1]])
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  const space = loadSpace(values.space, installation, streams)
  const scenario = space && loadScenario(values.scenario, installation, space, days, streams)
  if (!space || !scenario) return 1
  const { asked, given } = derive(installation)
  const { machine, problems, response } = values.asked ? asked : given
  if (!machine) {
    for (const problem of problems) streams.err(`${file}: response.${problemLine(problem)}`)
    return 1
  }
  const stepS = wholeNumber('step', values.step, usualStepS(scenario.days), [1, MOST_STEP_S])
  const seeded = { ...scenario, seed: wholeNumber('seed', values.seed, scenario.seed, [0, 4294967295]) }
  const stage = makeStage(installation, space, seeded, stepS)
  const trace = run(stage, machine)
  if (values.out !== undefined) writeFileSync(values.out, traceCsv(trace))
  const measures = measure(trace, measureContext(stage, response))
  if (values.measures) {
    streams.out(JSON.stringify(measures))
    return 0
  }
  streams.out(
    `${scenario.name}, ${scenario.days} ${scenario.days === 1 ? 'day' : 'days'} from ${scenario.startsOn}, seed ${seeded.seed}: ${trace.steps} steps of ${stepS} s`,
  )
  for (const one of measures)
    streams.out(
      [
        measureName(one),
        measureValue(one),
        VERDICT_WORDS[one.verdict],
        ...(one.atS === null ? [] : [`worst ${momentText(trace.startsOn, one.atS)}`]),
      ].join('\t'),
    )
  const [hunt] = findHunts(trace, machine, stage)
  if (hunt) {
    const { title, text } = huntText(response, hunt, undefined, trace.startsOn)
    streams.out(`${title} ${text}`)
  }
  return 0
}
