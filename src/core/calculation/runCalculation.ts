import type { DecimalMark } from '@/core/quantity/format'
import type { AnyCalculation, CalculationInput, CalculationOutput } from '@/core/calculation/calculation'
import { fail, ok, type Outcome, type Problem } from '@/core/json/problem'
import { formatNumber, formatQuantity, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'
import { parseQuantity } from '@/core/quantity/parse'
import { fromBase, quantitySpec } from '@/core/quantity/units'

export type CalculationValue = number | string | readonly number[]
export type CalculationValues = Readonly<Record<string, CalculationValue>>

export type CalculationResult = {
  readonly values: CalculationValues
  readonly results: Readonly<Record<string, number>>
  readonly verdict?: string
}

/** What stands in the fields before anyone types. */
export const startValues = ({ inputs }: AnyCalculation): CalculationValues =>
  Object.fromEntries(Object.entries(inputs).map(([key, { start }]) => [key, start]))

const parseOptions = (
  input: Exclude<CalculationInput, { kind: 'choice' }>,
  typedUnit: string | undefined,
  decimalMark: DecimalMark | undefined,
) => ({
  ...{ typedUnit, decimalMark },
  ...(input.kind === 'number' && input.limits ? { limits: input.limits } : {}),
})

/** One field as a person typed it, in the base unit. A list is several, apart by spaces, commas with a space, or semicolons. */
export function readCalculationField(
  input: CalculationInput,
  text: string,
  typedUnit?: string,
  decimalMark?: DecimalMark,
): Outcome<CalculationValue> {
  if (input.kind === 'choice') {
    const found = input.options.find(([value]) => value === text)
    if (found) return ok(found[0])
    const known = input.options.map(([value]) => value)
    return fail({ code: 'unknown_id', path: '', what: input.name, got: text, known })
  }
  if (input.kind === 'number') return parseQuantity(text, input.quantity, parseOptions(input, typedUnit, decimalMark))
  const parts = text.split(/[;\s]+|,\s/).filter(Boolean)
  const read = parts.map((part) => parseQuantity(part, input.quantity, parseOptions(input, typedUnit, decimalMark)))
  const problems = read.flatMap((outcome) => (outcome.ok ? [] : outcome.problems))
  return problems.length > 0 ? fail(...problems) : ok(read.flatMap((outcome) => (outcome.ok ? [outcome.value] : [])))
}

/** The results for values in base units. What has no result says so in words, at the place ''. */
export function runCalculation(calculation: AnyCalculation, values: CalculationValues): Outcome<CalculationResult> {
  const results = calculation.run(values as never)
  if (typeof results === 'string') return fail({ code: 'no_result', path: '', why: results })
  const verdict = calculation.verdict?.(values as never, results)
  return ok({ values, results, ...(verdict === undefined ? {} : { verdict }) })
}

/** Reads every field and runs the calculation; fields not named keep what stands in them first. Each problem has its field as its place. */
export function runCalculationFromText(
  calculation: AnyCalculation,
  texts: Readonly<Record<string, string>>,
): Outcome<CalculationResult> {
  const problems: Problem[] = []
  const values: Record<string, CalculationValue> = { ...startValues(calculation) }
  for (const [key, text] of Object.entries(texts)) {
    const input = calculation.inputs[key]
    if (!input) {
      problems.push({ code: 'unknown_id', path: key, what: 'input', got: key, known: Object.keys(calculation.inputs) })
      continue
    }
    const read = readCalculationField(input, text)
    if (read.ok) values[key] = read.value
    else problems.push(...read.problems.map((problem) => ({ ...problem, path: key })))
  }
  return problems.length > 0 ? fail(...problems) : runCalculation(calculation, values)
}

/** A value as it stands in a sentence. */
export function sumValueText(
  input: CalculationInput,
  value: CalculationValue,
  preference: UnitPreference = METRIC,
): string {
  if (input.kind === 'choice') return input.options.find(([id]) => id === value)?.[1] ?? String(value)
  const one = (x: number) => formatQuantity(x, input.quantity, preference).trim()
  return typeof value === 'object' ? value.map(one).join(', ') : one(Number(value))
}

/** The formula with its inputs named, or with the values put in. */
export const formulaText = (
  calculation: AnyCalculation,
  values: CalculationValues | null,
  preference: UnitPreference = METRIC,
): string =>
  calculation.formula.replace(/\{(\w+)\}/g, (whole, key: string) => {
    const input = calculation.inputs[key]
    if (!input) return whole
    return values === null ? key : sumValueText(input, values[key] ?? input.start, preference)
  })

export type CalculationLine = {
  readonly key: string
  readonly name: string
  readonly text: string
  readonly value: number
}

/** A result in a unit by its symbol; in the one that people say it in where none is named: hours, m³/h. */
function resultText(
  { quantity, decimals }: CalculationOutput,
  value: number,
  preference: UnitPreference,
  symbol?: string,
): string {
  const unit = quantitySpec(quantity).units.find((candidate) => candidate.symbol === symbol)
  if (unit) return `${formatNumber(fromBase(unit, value), unit.decimals, preference)} ${unit.symbol}`.trim()
  if (quantity === 'time' && Number.isFinite(value)) return formatTime(value, preference)
  return formatQuantity(value, quantity, preference, decimals).trim()
}

/** The results as lines, each in the unit this person reads, or the one asked for. A figure that does not exist shows as a dash.
 *  @param as symbol of the unit wanted, by output */
export const resultLines = (
  calculation: AnyCalculation,
  results: CalculationResult['results'],
  preference: UnitPreference = METRIC,
  as: Readonly<Record<string, string>> = {},
): CalculationLine[] =>
  Object.entries(calculation.outputs).map(([key, output]) => ({
    key,
    name: output.name,
    value: results[key] ?? NaN,
    text: resultText(output, results[key] ?? NaN, preference, as[key]),
  }))
