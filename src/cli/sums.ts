import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { unitsOf } from '@/cli/units'
import { findCalculations, calculationById, CALCULATIONS } from '@/core/calculation/registry'
import {
  formulaText,
  resultLines,
  runCalculationFromText,
  sumValueText,
  type CalculationResult,
} from '@/core/calculation/runCalculation'
import type { AnyCalculation, CalculationInput } from '@/core/calculation/calculation'
import type { UnitPreference } from '@/core/quantity/format'
import { bareMeanings } from '@/core/quantity/parse'
import { quantitySpec } from '@/core/quantity/units'
import { problemText } from '@/core/words/problems'

const USAGE =
  'gale sums [WORDS…] | gale sums show NAME | gale sums run NAME key=value[unit]… [--as key=unit]… [--units us] [--json]'

function namedCalculation(name: string | undefined): AnyCalculation {
  if (name === undefined) throw new UsageError(`Name a sum.\nUsage: ${USAGE}`)
  const calculation = calculationById(name)
  if (calculation) return calculation
  const near = findCalculations(name.replace(/-/g, ' ')).map(({ id }) => id)
  throw new UsageError(
    `There is no sum “${name}”${near.length > 0 ? `; near it: ${near.join(', ')}` : '; list them with gale sums'}.`,
  )
}

function inputText(key: string, input: CalculationInput): string {
  const start = sumValueText(input, input.start)
  if (input.kind === 'choice')
    return `  ${key}: ${input.name}, ${input.options.map(([value]) => value).join(' | ')} (${String(input.start)})`
  const units = quantitySpec(input.quantity)
    .units.map(({ symbol }) => symbol)
    .filter(Boolean)
    .join(', ')
  return `  ${key}: ${input.name}${units ? `, in ${units}` : ''}${input.kind === 'list' ? ', several with spaces between' : ''} (${start})`
}

function show(calculation: AnyCalculation, { out }: Streams): void {
  out(`${calculation.id}: ${calculation.name}`)
  for (const [key, input] of Object.entries(calculation.inputs)) out(inputText(key, input))
  out(`  ${formulaText(calculation, null)}`)
  out(`  Source: ${calculation.source}`)
  if (calculation.caution) out(`  ! ${calculation.caution}`)
}

function sayResult(
  calculation: AnyCalculation,
  { values, results, verdict }: CalculationResult,
  { as, preference }: { as: Readonly<Record<string, string>>; preference: UnitPreference },
  { out }: Streams,
): void {
  for (const { name, text } of resultLines(calculation, results, preference, as)) out(`${name}: ${text}`)
  if (verdict) out(verdict)
  out(formulaText(calculation, values))
  out(`Source: ${calculation.source}`)
  if (calculation.caution) out(`! ${calculation.caution}`)
}

const pairsOf = (pairs: readonly string[]): Record<string, string> =>
  Object.fromEntries(
    pairs.map((pair): [string, string] => {
      const at = pair.indexOf('=')
      if (at < 1) throw new UsageError(`“${pair}” is not key=value.\nUsage: ${USAGE}`)
      return [pair.slice(0, at), pair.slice(at + 1)]
    }),
  )

/** The units asked for, as symbols, by output. */
function unitsAsked({ id, outputs }: AnyCalculation, pairs: readonly string[]): Record<string, string> {
  return Object.fromEntries(
    Object.entries(pairsOf(pairs)).map(([key, word]): [string, string] => {
      const output = outputs[key]
      if (!output) throw new UsageError(`${id} has no result “${key}”; it has ${Object.keys(outputs).join(', ')}.`)
      const { units } = quantitySpec(output.quantity)
      const unit = units.find(({ symbol, names }) => symbol === word || names.includes(word.toLowerCase()))
      if (!unit)
        throw new UsageError(
          `“${word}” is not a unit of ${output.name}; use ${units.map(({ symbol }) => symbol).join(', ')}.`,
        )
      return [key, unit.symbol]
    }),
  )
}

/** Numbers without a unit where several are usual: how each was taken, and how else it may have been meant. */
function sayBare(calculation: AnyCalculation, texts: Readonly<Record<string, string>>, { err }: Streams): void {
  for (const [key, text] of Object.entries(texts)) {
    const input = calculation.inputs[key]
    const bare = input && input.kind === 'number' ? bareMeanings(text, input.quantity) : null
    if (bare && bare.others.length > 0)
      err(`${key}: taken as ${bare.taken.text}; if it was ${bare.others.map((one) => one.text).join(' or ')}, say so.`)
  }
}

type RunAsk = { readonly as: readonly string[]; readonly preference: UnitPreference; readonly json: boolean }

function run([name, ...pairs]: readonly string[], ask: RunAsk, streams: Streams): number {
  const calculation = namedCalculation(name)
  const as = unitsAsked(calculation, ask.as)
  const texts = pairsOf(pairs)
  const outcome = runCalculationFromText(calculation, texts)
  if (!outcome.ok) {
    for (const problem of outcome.problems)
      streams.err(`${problem.path ? `${problem.path}: ` : ''}${problemText(problem)}`)
    return 1
  }
  sayBare(calculation, texts, streams)
  if (ask.json) streams.out(JSON.stringify({ sum: calculation.id, ...outcome.value }))
  else sayResult(calculation, outcome.value, { as, preference: ask.preference }, streams)
  return 0
}

/** Lists the sums, shows one, or runs one: the same as in the place Calculations. */
export function sums(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    { json: { type: 'boolean' }, as: { type: 'string', multiple: true }, units: { type: 'string' } },
    USAGE,
  )
  const [first, ...rest] = positionals
  if (first === 'run') {
    const ask = { as: values.as ?? [], preference: unitsOf(values.units), json: values.json ?? false }
    return run(rest, ask, streams)
  }
  if (first === 'show') {
    show(namedCalculation(rest[0]), streams)
    return 0
  }
  const found = positionals.length === 0 ? CALCULATIONS : findCalculations(positionals.join(' '))
  if (found.length === 0) {
    streams.err(`No sum has the words “${positionals.join(' ')}”.`)
    return 1
  }
  for (const { id, name, group } of found)
    streams.out(values.json ? JSON.stringify({ id, name, group }) : `${id}: ${name} (${group})`)
  return 0
}
