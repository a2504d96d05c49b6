import { fail, ok, type Outcome, type Problem } from '@/core/json/problem'
import type { DecimalMark } from '@/core/quantity/format'
import { fromBase, quantitySpec, toBase, type Quantity, type Unit } from '@/core/quantity/units'

const NUMBER_THEN_UNIT = /^([+\-−]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?)\s*(.*)$/i

/** A stopwatch: minutes and seconds, or hours before them. */
const STOPWATCH = /^(?:(\d+):)?(\d{1,4}):([0-5]\d(?:[.,]\d+)?)$/

/** Seconds of 14:50 or 1:02:03; null where it is not written so. */
function stopwatchS(text: string): number | null {
  const [, hours = '0', minutes, seconds] = STOPWATCH.exec(text) ?? []
  if (minutes === undefined || seconds === undefined) return null
  return Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds.replace(',', '.'))
}

const plain = (x: number, decimalMark: DecimalMark): string =>
  String(Number(x.toPrecision(6))).replace('.', decimalMark)

/** The first other unit in which the same figure would be plausible, as a suggestion. */
function otherReading(quantity: Quantity, x: number, used: Unit, decimalMark: DecimalMark): string | undefined {
  const { units, plausible } = quantitySpec(quantity)
  const meant = units.find(
    (unit) => unit !== used && toBase(unit, x) >= plausible[0] && toBase(unit, x) <= plausible[1],
  )
  return meant ? `${plain(x, decimalMark)} ${meant.symbol}` : undefined
}

const unknownUnit = (quantity: Quantity, got: string): Problem => {
  const { label, units } = quantitySpec(quantity)
  return { code: 'unknown_unit', path: '', got, what: label, known: units.map((unit) => unit.symbol).join(', ') }
}

/** Several units in a row, as a person says a time: 14 min 20 s, 2 h 5 min. */
const PARTS = /^\d+(?:[.,]\d+)?\s*[a-z]+(?:\s+\d+(?:[.,]\d+)?\s*[a-z]+)+$/i

/** The seconds of a time said in parts, each of a smaller unit than the one before; null where it is none. */
function partsS(text: string): number | null {
  if (!PARTS.test(text)) return null
  const { units } = quantitySpec('time')
  let [total, above] = [0, Infinity]
  for (const [, digits = '', word = ''] of text.matchAll(/(\d+(?:[.,]\d+)?)\s*([a-z]+)/gi)) {
    const unit = units.find(({ names }) => names.includes(word.toLowerCase()))
    if (!unit || unit.scale >= above) return null
    above = unit.scale
    total += toBase(unit, Number(digits.replace(',', '.')))
  }
  return total
}

type ParseOptions = {
  readonly typedUnit?: string | undefined
  readonly limits?: readonly [min: number, max: number] | undefined
  /** What whoever types writes before decimals; the other mark is read too where it can be nothing else. */
  readonly decimalMark?: DecimalMark | undefined
}

/** A mark before three figures may stand between thousands; the mark of whoever types does not. */
const AMBIGUOUS: Readonly<Record<DecimalMark, RegExp>> = { '.': /,\d{3}$/, ',': /\.\d{3}$/ }

/** Reads what a person typed ("68F", "20c", "0.5 h", "14:50", "90 cfm", "20,5") into the base unit of `quantity`.
 *  @param typedUnit symbol of the unit meant when none is typed; the base unit by default
 *  @param limits plausible range in the base unit where it is narrower than the quantity's own
 *  @param decimalMark what whoever types writes before decimals
 *  Refuses an unknown unit, a mark that can be read two ways, and a value no such quantity can have. */
export function parseQuantity(
  text: string,
  quantity: Quantity,
  { typedUnit, limits, decimalMark = '.' }: ParseOptions = {},
): Outcome<number> {
  const { label, units, plausible, hint } = quantitySpec(quantity)
  const timeS = quantity === 'time' ? (stopwatchS(text.trim()) ?? partsS(text.trim())) : null
  if (timeS !== null) return parseQuantity(`${timeS} s`, quantity, limits ? { limits } : {})
  const match = NUMBER_THEN_UNIT.exec(text.trim().replace(/\u00a0/g, ' '))
  const [, digits, rest] = match ?? []
  if (digits === undefined || rest === undefined) return fail({ code: 'not_a_number', path: '', got: text, hint })
  if (AMBIGUOUS[decimalMark].test(digits)) return fail({ code: 'ambiguous_comma', path: '', got: digits })
  const x = Number(digits.replace(',', '.').replace('−', '-'))
  if (!Number.isFinite(x)) return fail({ code: 'not_a_number', path: '', got: text, hint })
  const word = rest.trim().toLowerCase().replace(/\s+/g, ' ')
  const unit =
    word === ''
      ? (units.find(({ symbol }) => symbol === typedUnit) ?? units[0])
      : units.find(({ names }) => names.includes(word))
  if (!unit) return fail(unknownUnit(quantity, rest.trim()))
  const base = toBase(unit, x)
  const [min, max] = limits ?? plausible
  if (base >= min && base <= max) return ok(base)
  const shown = (value: number) => `${plain(fromBase(unit, value), decimalMark)} ${unit.symbol}`
  return fail({
    code: 'implausible',
    path: '',
    what: label,
    got: shown(base),
    min: shown(min),
    max: shown(max),
    meant: limits ? undefined : otherReading(quantity, x, unit, decimalMark),
  })
}

/** One way in which a bare number may have been meant: as typed, in a unit. */
export type Meant = { readonly text: string; readonly value: number }

/** How a number without a unit was taken, and how else it is usually meant; null where a unit was typed, or where only one is usual. */
export function bareMeanings(
  text: string,
  quantity: Quantity,
  typedUnit?: string,
  decimalMark?: DecimalMark,
): { readonly taken: Meant; readonly others: readonly Meant[] } | null {
  const { units, usual, plausible } = quantitySpec(quantity)
  const match = NUMBER_THEN_UNIT.exec(text.trim())
  if (!usual || match?.[2] !== '') return null
  const as = (unit: Unit): Meant[] => {
    const read = parseQuantity(`${match[1]!} ${unit.symbol}`, quantity, { decimalMark })
    return read.ok && read.value >= plausible[0] ? [{ text: `${match[1]!} ${unit.symbol}`, value: read.value }] : []
  }
  const taken = units.find(({ symbol }) => symbol === typedUnit) ?? units[0]
  const [asTaken] = as(taken)
  if (!asTaken) return null
  return { taken: asTaken, others: units.filter((unit) => unit !== taken && usual.includes(unit.symbol)).flatMap(as) }
}
