import type { Response } from '@/core/response/schema'
import {
  formatNumber,
  formatPct,
  formatQuantity,
  formatTime,
  METRIC,
  type UnitPreference,
} from '@/core/quantity/format'
import type { Calm, Hunt } from '@/core/rehearse/hunting'
import type { Measure } from '@/core/rehearse/measures'
import type { MeasureId, MeasureVerdict } from '@/core/scenario/measureIds'
import { clockText } from '@/core/quantity/clock'
import type { DateStyle } from '@/core/quantity/dateStyle'
import { DAY_NAMES } from '@/core/rules/localClock'
import { dateOf } from '@/core/rules/yearDay'
import { inputQuantity, isMeasured } from '@/core/rules/input'
import { ruleInputId } from '@/core/rules/table'
import type { DifferenceOf } from '@/core/rehearse/compare'
import { ruleName } from '@/core/sentences/words'

/** The day and the hour of a rehearsal: "Tue 15:10", "Tue 3:10 PM". */
export function momentText(startsOn: string, atS: number, { dates }: Pick<UnitPreference, 'dates'> = METRIC): string {
  return `${dayNameAt(startsOn, atS)} ${hourText(atS, dates)}`
}

export const dayNameAt = (startsOn: string, atS: number): string =>
  DAY_NAMES[(dateOf(startsOn) + Math.floor(atS / 86400) + 3) % 7]!

export const hourText = (atS: number, dates?: DateStyle): string => clockText(Math.floor((atS % 86400) / 60), dates)

const quantity = ({ id }: Measure): 'temperature' | 'humidity' => (id.includes('damp') ? 'humidity' : 'temperature')
const bound = (measure: Measure, preference: UnitPreference): string =>
  measure.against === null ? '' : formatQuantity(measure.against, quantity(measure), preference)

/** What a measure is called. */
export function measureName(measure: Measure, preference: UnitPreference = METRIC): string {
  switch (measure.id) {
    case 'hottest':
      return 'Hottest'
    case 'coldest':
      return 'Coldest'
    case 'dampest':
      return 'Dampest'
    case 'limit-after':
      return 'Without air, the limit is reached after'
    case 'past-limit':
    case 'damp-past-limit':
      return `Past the limit, ${bound(measure, preference)}`
    case 'above-band':
    case 'above-damp':
      return `Above ${bound(measure, preference)}`
    case 'below-band':
    case 'below-damp':
      return `Below ${bound(measure, preference)}`
    case 'surface-water':
      return 'Water on the coldest surface'
    case 'suction-lost':
      return 'Suction lost'
    case 'without-air':
      return 'Longest without air'
    case 'lowest-flow':
      return 'Lowest flow while running'
    case 'short-of-air':
      return 'Less than the required air'
    case 'starts':
      return 'Starts an hour, worst'
    case 'changes':
      return 'Speed changes an hour, worst'
    case 'night-sound':
      return 'Sound at night, mean'
    case 'night-over':
      return `Night over ${measure.against === null ? '' : formatQuantity(measure.against, 'sound', preference)}`
    case 'energy':
      return 'Fan energy'
    case 'heat-out':
      return 'Heat carried out by air'
    case 'heating':
      return 'Heating'
    case 'head-low':
      return 'Head under its least'
    case 'trips':
      return 'Compressor trips'
    case 'spill':
      return 'Draught lost while it burns'
    case 'floor-missed':
      return 'Door open, stream short of the floor'
    case 'stale':
      return 'Carbon dioxide over 1400 ppm'
  }
}

/** A stretch of time as people say it: "41 min", "42 h 43". */
export function spanText(seconds: number): string {
  const minutes = Math.round(seconds / 60)
  if (minutes < 100) return seconds > 0 && minutes === 0 ? 'under 1 min' : `${minutes} min`
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`
}

/** How far out a measure was on the sum: “13 K·h”, “388 %RH·h”.
 *  @param sum K·h or %RH·h */
export const measureSum = (id: MeasureId, sum: number, preference: UnitPreference = METRIC): string =>
  `${formatQuantity(sum, id.includes('damp') ? 'humidity' : 'temperatureDifference', preference, 0)}·h`

/** Its figure with unit. */
export function measureValue(
  { value, unit }: Pick<Measure, 'value' | 'unit'>,
  preference: UnitPreference = METRIC,
): string {
  switch (unit) {
    case 's':
      return spanText(value)
    case 'count':
      return formatNumber(value, 0, preference)
    case 'kWh':
      return `${formatNumber(value, value < 10 ? 2 : value < 100 ? 1 : 0, preference)} kWh`
    case 'ppm':
      return `${formatNumber(value, 0, preference)} ppm`
    case 'sound':
      return `${formatNumber(value, 1, preference)} dB`
    case 'temperature':
    case 'humidity':
    case 'flow':
      return formatQuantity(value, unit, preference)
  }
}

export const VERDICT_WORDS: Record<MeasureVerdict, string> = {
  pass: 'keeps',
  fail: 'fails',
  wear: 'wear or nuisance',
  none: 'no target',
}

/** Where the energy comes from. */
export const POWER_WORDS = {
  measured: 'as measured beside its readings, straight between them',
  cube: 'by the cube of the speed, 6 % of its plate at rest speed; common practice',
  square: 'by the square of the speed, as a motor under phase cut; common practice',
  unknown: 'not known: no power on the plate',
} as const

const stretch = (from: string, { fromS, toS }: Hunt, preference: UnitPreference): string =>
  `${momentText(from, fromS, preference)}–${hourText(toS, preference.dates)}`

function causeText(response: Response, hunt: Hunt, preference: UnitPreference): string {
  const rule = hunt.rule === null ? undefined : response.rules[hunt.rule]
  const input = rule && response.inputs.find(({ id }) => id === ruleInputId(rule))
  const unit = input && isMeasured(input) ? inputQuantity(input) : null
  const difference = unit === 'temperature' ? 'temperatureDifference' : unit
  const amount = (x: number | null) => (x === null || !difference ? '' : formatQuantity(x, difference, preference))
  switch (hunt.cause) {
    case 'digit':
      return `One digit of the probe (${amount(hunt.digit)}) moves the fan ${formatNumber(hunt.digitPct ?? 0, 1, preference)} points.`
    case 'step':
      return `It goes between two neighbouring steps of the output (${formatPct(response.steps.stepPct, preference)} %): one is a little too much, the other too little.`
    case 'gain':
      return 'The band is narrow for how fast this space answers and how slowly the probe follows.'
    case 'differential-digit':
      return `The differential is hardly more than one digit of the probe (${amount(hunt.digit)}).`
    case 'band':
      return 'The differential is small for how fast this space answers.'
    case null:
      return ''
  }
}

/** A hunt in words, its cause and what would calm it. */
export function huntText(
  response: Response,
  hunt: Hunt,
  /** Not looked for yet where nothing is given. */
  calm: Calm | null | undefined,
  startsOn: string,
  preference: UnitPreference = METRIC,
): { readonly title: string; readonly text: string; readonly cure: string | null } {
  const rule = hunt.rule === null ? undefined : response.rules[hunt.rule]
  const input = rule && response.inputs.find(({ id }) => id === ruleInputId(rule))
  const unit = input && isMeasured(input) ? inputQuantity(input) : 'temperature'
  const band = calm
    ? formatQuantity(calm.band, unit === 'temperature' ? 'temperatureDifference' : unit, preference)
    : null
  const swing = `${formatPct(Math.round(hunt.lowPct), preference)} ↔ ${formatPct(Math.round(hunt.highPct), preference)} % every ${formatTime(Math.round(hunt.periodS / 6) * 6, preference)}`
  return {
    title: `${hunt.startsAnHour > 0 ? 'It starts too often' : 'It hunts'}, ${stretch(startsOn, hunt, preference)}.`,
    text: [
      rule ? `${ruleName(response, rule)}: ${swing}.` : `${swing}.`,
      causeText(response, hunt, preference),
      band ? `At ${band} it is calm.` : calm === null ? 'No wider band that was tried calms it.' : '',
    ]
      .filter((part) => part !== '')
      .join(' '),
    cure: band,
  }
}

type Side = {
  readonly by: number
  readonly isLess: boolean
  readonly more: string
  readonly preference: UnitPreference
}

const counted =
  (one: string, when = '') =>
  ({ by, isLess }: Side) =>
    `${formatNumber(by, 0)} ${isLess ? 'fewer' : 'more'} ${one}${Math.round(by) === 1 ? '' : 's'}${when}`
const warmer =
  (where: string) =>
  ({ by, isLess, preference }: Side) =>
    `${formatQuantity(by, 'temperatureDifference', preference)} ${isLess ? 'cooler' : 'warmer'} at its ${where}`
const energy =
  (what: string) =>
  ({ by, more, preference }: Side) =>
    `${measureValue({ value: by, unit: 'kWh' }, preference)} ${more} ${what}`

/** How a measure differs that is no stretch of time. */
const DIFFERENCES: Partial<Record<MeasureId, (side: Side) => string>> = {
  hottest: warmer('hottest'),
  coldest: warmer('coldest'),
  dampest: ({ by, isLess, preference }) =>
    `${formatQuantity(by, 'humidity', preference)} ${isLess ? 'drier' : 'damper'} at its dampest`,
  'night-sound': ({ by, isLess, preference }) =>
    `${formatNumber(by, 1, preference)} dB ${isLess ? 'quieter' : 'louder'} at night`,
  starts: counted('start', ' in its worst hour'),
  changes: counted('speed change', ' in its worst hour'),
  trips: counted('trip'),
  energy: energy('for the fan'),
  heating: energy('heating'),
  'lowest-flow': ({ by, more, preference }) => `${formatQuantity(by, 'flow', preference)} ${more} at its lowest`,
}

/** How one measure differs, from the side of the first. */
function differenceText({ id, value, other }: DifferenceOf, preference: UnitPreference): string {
  const [by, isLess] = [Math.abs(value - other), value < other]
  const own = DIFFERENCES[id]
  if (own) return own({ by, isLess, more: isLess ? 'less' : 'more', preference })
  return `${spanText(by)} ${isLess ? 'less' : 'longer'} ${PAST_WORDS[id] ?? 'out'}`
}

const PAST_WORDS: Partial<Record<Measure['id'], string>> = {
  'limit-after': 'to the limit without air',
  'past-limit': 'past the limit',
  'damp-past-limit': 'past the limit of humidity',
  'above-band': 'above the band',
  'below-band': 'below the band',
  'above-damp': 'above the band of humidity',
  'below-damp': 'below the band of humidity',
  'surface-water': 'with water on the coldest surface',
  'suction-lost': 'without suction',
  'without-air': 'without air at a stretch',
  'short-of-air': 'short of the required air',
  'night-over': 'too loud at night',
  'head-low': 'under its least head',
  spill: 'without draught',
  'floor-missed': 'with the stream short of the floor',
  stale: 'over 1400 ppm',
}

/** What one has over another and what it costs, in a sentence. */
export function differencesText(
  names: readonly [string, string],
  { gains, costs }: { readonly gains: readonly DifferenceOf[]; readonly costs: readonly DifferenceOf[] },
  preference: UnitPreference = METRIC,
): string {
  const list = (all: readonly DifferenceOf[]) => all.map((one) => differenceText(one, preference)).join(' and ')
  const [a, b] = names
  if (gains.length === 0 && costs.length === 0) return `${a} and ${b} come to the same in everything that counts.`
  if (costs.length === 0) return `${a} against ${b}: ${list(gains)}, and it costs nothing of what counts.`
  if (gains.length === 0) return `${a} against ${b}: ${list(costs)}, and it gains nothing of what counts.`
  return `${a} against ${b}: ${list(gains)}, for ${list(costs)}.`
}
