import type { DateStyle } from '@/core/quantity/dateStyle'
import { fromBase, quantitySpec, type Quantity, type Unit } from '@/core/quantity/units'

export const TEMPERATURE_CHOICES = ['C', 'F'] as const
export const FLOW_CHOICES = ['l/s', 'm³/h', 'cfm'] as const

/** What else a person chooses a unit for, and between which: symbols of `units`, the usual one first. */
export const UNIT_CHOICES = {
  pressure: ['Pa', 'mmH₂O', 'inWG', 'mbar'],
  gaugePressure: ['kPa', 'bar', 'psi', 'kPa abs', 'bar abs', 'psi abs'],
  airSpeed: ['m/s', 'km/h', 'fpm'],
  length: ['m', 'mm', 'in', 'ft'],
  area: ['m²', 'cm²', 'ft²'],
  volume: ['m³', 'ft³'],
  mass: ['kg', 'lb'],
} as const satisfies Partial<Record<Quantity, readonly string[]>>
export type ChosenKind = keyof typeof UNIT_CHOICES

/** How a person wants figures shown; the usual unit of a kind where none is named. */
export type UnitPreference = {
  readonly temperature: (typeof TEMPERATURE_CHOICES)[number]
  readonly flow: (typeof FLOW_CHOICES)[number]
  readonly units?: Readonly<Partial<Record<ChosenKind, string>>>
  /** How dates and times of day are read; as usual where nothing is said. */
  readonly dates?: DateStyle
  /** Where the site keeps a time zone: an IANA name. Times are then said in it. */
  readonly zone?: string
  /** What stands between a figure and its decimals; a point where nothing is said. */
  readonly decimalMark?: DecimalMark
}

export const DECIMAL_MARKS = ['.', ','] as const
export type DecimalMark = (typeof DECIMAL_MARKS)[number]

/** Of whom a figure is written for no more has to be known. */
type Reader = Pick<UnitPreference, 'decimalMark'>

/** The same on a site: in its time zone, where it has one.
 *  @param zone IANA name; empty where nobody named one */
export const atSite = (preference: UnitPreference, zone: string): UnitPreference =>
  zone === '' ? preference : { ...preference, zone }

export const METRIC: UnitPreference = { temperature: 'C', flow: 'l/s' }

/** As people in the United States read figures. Common practice, no source. */
export const CUSTOMARY: UnitPreference = {
  temperature: 'F',
  flow: 'cfm',
  units: {
    ...{ pressure: 'inWG', gaugePressure: 'psi', airSpeed: 'fpm' },
    ...{ length: 'in', area: 'ft²', volume: 'ft³', mass: 'lb' },
  },
}

type SymbolOf = (preference: UnitPreference) => string | undefined

const chosen =
  (kind: ChosenKind): SymbolOf =>
  ({ units = {} }) =>
    units[kind]
const byDegree =
  (celsius: string, fahrenheit: string): SymbolOf =>
  ({ temperature }) =>
    temperature === 'F' ? fahrenheit : celsius
const ofMass =
  (pounds: string): SymbolOf =>
  ({ units = {} }) =>
    units.mass === 'lb' ? pounds : undefined

/** The symbol in which a person reads a quantity, where they can choose; what is made of others goes with the units of those. */
const SYMBOL_OF: Readonly<Partial<Record<Quantity, SymbolOf>>> = {
  ...(Object.fromEntries(Object.keys(UNIT_CHOICES).map((kind) => [kind, chosen(kind as ChosenKind)])) as Record<
    ChosenKind,
    SymbolOf
  >),
  temperature: byDegree('°C', '°F'),
  temperatureDifference: byDegree('K', 'F°'),
  altitude: ({ units = {} }) => (units.length === 'in' || units.length === 'ft' ? 'ft' : undefined),
  // What is absolute in any case, or a difference: the same unit, whichever way a gauge is read.
  absolutePressure: ({ units = {} }) => units.gaugePressure?.replace(' abs', ''),
  conductance: byDegree('W/K', 'BTU/(h·F°)'),
  heatCapacity: byDegree('kJ/K', 'BTU/F°'),
  flow: ({ flow }) => flow,
  specificPower: ({ flow }) => (flow === 'l/s' ? undefined : `W/${flow === 'cfm' ? 'cfm' : '(m³/h)'}`),
  density: ({ units = {} }) => (units.mass === 'lb' && units.volume === 'ft³' ? 'lb/ft³' : undefined),
  humidityRatio: ofMass('gr/lb'),
  moistureRate: ofMass('lb/h'),
}

/** The unit in which this person reads `quantity`. */
export function preferredUnit(quantity: Quantity, preference: UnitPreference): Unit {
  const { units } = quantitySpec(quantity)
  const symbol = SYMBOL_OF[quantity]?.(preference)
  return units.find((unit) => unit.symbol === symbol) ?? units[0]
}

/** The units a person named, of what a file, a column or a command line says; what is no choice is left out.
 *  @param said symbols by kind, of whatever shape */
export function knownUnits(said: unknown): NonNullable<UnitPreference['units']> {
  const named = typeof said === 'object' && said !== null ? (said as Readonly<Record<string, unknown>>) : {}
  return Object.fromEntries(
    Object.entries(UNIT_CHOICES).flatMap(([kind, choices]) => {
      const symbol = choices.find((choice) => choice === named[kind])
      return symbol === undefined || symbol === choices[0] ? [] : [[kind, symbol]]
    }),
  )
}

/** What somebody of these languages is likely to read, until they choose.
 *  @param languages as a browser names them, the dearest first: “en-US,en;q=0.9” */
export const startingUnits = (languages: string): UnitPreference =>
  /^[a-z]{2,3}-(US|LR|PR|GU)\b/i.test(languages.trim()) ? CUSTOMARY : METRIC

/** What people of these languages are likely to write before decimals, until they choose.
 *  @param languages as a browser names them, the dearest first: “de-AT,de;q=0.9” */
export function startingDecimalMark(languages: string): DecimalMark {
  const [tag = ''] = languages.split(/[,;]/)
  try {
    const parts = new Intl.NumberFormat(tag.trim() || 'en').formatToParts(0.5)
    return parts.some(({ type, value }) => type === 'decimal' && value === ',') ? ',' : '.'
  } catch (error) {
    // No language: nobody has said anything.
    if (error instanceof RangeError) return '.'
    throw error
  }
}

/** A number with a true minus, fixed decimals behind the mark of its reader, and no negative zero. NaN shows as a dash: no such figure reaches a
 *  screen. */
export function formatNumber(x: number, decimals: number, { decimalMark = '.' }: Reader = METRIC): string {
  if (!Number.isFinite(x)) return '–'
  const text = x.toFixed(decimals)
  return (Number(text) === 0 ? (0).toFixed(decimals) : text.replace('-', '−')).replace('.', decimalMark)
}

/** The number itself in the unit this person reads, for charts. */
export const inPreferredUnit = (base: number, quantity: Quantity, preference: UnitPreference): number =>
  fromBase(preferredUnit(quantity, preference), base)

export const formatFigure = (
  base: number,
  quantity: Quantity,
  preference: UnitPreference,
  decimals?: number,
): string => {
  const unit = preferredUnit(quantity, preference)
  // Things that are counted have no hundredths.
  const counted = quantity === 'count' && Number.isInteger(base) ? 0 : unit.decimals
  return formatNumber(fromBase(unit, base), decimals ?? counted, preference)
}

/** Figure and unit, "18.3 °C". */
export const formatQuantity = (
  base: number,
  quantity: Quantity,
  preference: UnitPreference = METRIC,
  decimals?: number,
): string =>
  quantity === 'contact'
    ? base >= 0.5
      ? 'on'
      : 'off'
    : `${formatFigure(base, quantity, preference, decimals)} ${preferredUnit(quantity, preference).symbol}`.trimEnd()

/** A figure at an axis: a decimal only where there is one. */
export const formatTick = (x: number, reader?: Reader): string => formatNumber(x, Number.isInteger(x) ? 0 : 1, reader)

/** A figure with at most one decimal, and none where that would be a nought. */
const formatShort = (x: number, reader?: Reader): string =>
  formatNumber(x, Number.isInteger(Number(x.toFixed(1))) ? 0 : 1, reader)

/** A percent with no more decimals than it needs: "65", "12.5", "33.3". */
export const formatPct = (pct: number, reader?: Reader): string => formatShort(pct, reader)

/** A length of time in the unit a person would say: "4 s", "15 min", "1.5 h". */
export function formatTime(timeS: number, reader?: Reader): string {
  const say = (x: number, unit: string) => `${formatShort(x, reader)} ${unit}`
  if (timeS < 120) return say(timeS, 's')
  if (timeS < 7200) return say(timeS / 60, 'min')
  return timeS < 172_800 ? say(timeS / 3600, 'h') : say(timeS / 86_400, 'days')
}

/** How figures without a kind are said to a reader. */
export type Figures = {
  readonly num: (x: number, decimals: number) => string
  /** A percent, without its sign. */
  readonly pct: (pct: number) => string
  readonly time: (timeS: number) => string
}

export const figuresFor = (reader: Reader): Figures => ({
  num: (x, decimals) => formatNumber(x, decimals, reader),
  pct: (pct) => formatPct(pct, reader),
  time: (timeS) => formatTime(timeS, reader),
})
