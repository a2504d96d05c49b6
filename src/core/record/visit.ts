import { Type, type Static } from '@sinclair/typebox'
import { closed } from '@/core/json/vocabulary'
import { formatQuantity, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'

/** What is read at a visit and belongs to no stage, with its word. */
export const VISIT_QUANTITIES = {
  temperature: 'temperature',
  humidity: 'humidity',
  pressure: 'pressure',
  flow: 'air flow',
  volts: 'voltage',
  concentration: 'gas in air',
} as const satisfies Partial<Record<Quantity, string>>
export type VisitQuantity = keyof typeof VISIT_QUANTITIES
const QUANTITY_IDS = Object.keys(VISIT_QUANTITIES) as VisitQuantity[]

const Instant = Type.String({ maxLength: 40, pattern: '^\\d{4}-\\d\\d-\\d\\dT' })
const Count = Type.Integer({ minimum: 0, maximum: 10_000 })
const Figure = Type.Union([Type.Number({ minimum: -1e6, maximum: 1e6 }), Type.Null()])

/** One reading, in base units: as it was found, and as it was left; null where nobody read it. */
const VisitReading = Type.Object(
  {
    quantity: Type.Union(QUANTITY_IDS.map((id) => Type.Literal(id))),
    where: Type.String({ minLength: 1, maxLength: 120, pattern: '\\S' }),
    instrument: Type.String({ maxLength: 120 }),
    found: Figure,
    left: Figure,
  },
  closed,
)
type VisitReading = Static<typeof VisitReading>

/** A visit: when, why, in what weather, and what was read. */
export const Visit = Type.Object(
  {
    beganAt: Instant,
    endedAt: Instant,
    why: Type.String({ minLength: 3, maxLength: 200, pattern: '\\S' }),
    weather: Type.String({ maxLength: 120 }),
    readings: Type.Array(VisitReading, { maxItems: 40 }),
    /** What else was done between its begin and its end. */
    done: Type.Object({ checks: Count, lines: Count }, closed),
  },
  closed,
)
export type Visit = Static<typeof Visit>

const readingText = (
  { quantity, where, instrument, found, left }: VisitReading,
  preference: UnitPreference,
): string => {
  const figure = (x: number | null) => (x === null ? 'not read' : formatQuantity(x, quantity, preference))
  const by = instrument.trim() === '' ? '' : ` (${instrument.trim()})`
  return `${where.trim()}, ${VISIT_QUANTITIES[quantity]}: found ${figure(found)}, left ${figure(left)}${by}`
}

const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`

/** “3 checks, 1 line in the log”; empty where nothing was done. */
export const doneText = ({ checks, lines }: Visit['done']): string =>
  [
    ...(checks > 0 ? [counted(checks, 'check')] : []),
    ...(lines > 0 ? [`${counted(lines, 'line')} in the log`] : []),
  ].join(', ')

/** A visit as a line of the log. */
export const visitText = ({ why, weather, readings, done }: Visit, preference: UnitPreference = METRIC): string => {
  const doneToo = doneText(done)
  return [
    `Visit: ${why.trim()}.`,
    ...(weather.trim() === '' ? [] : [`Weather: ${weather.trim()}.`]),
    ...readings.map((reading) => `${readingText(reading, preference)}.`),
    ...(doneToo === '' ? [] : [`Done: ${doneToo}.`]),
  ].join(' ')
}

/** What lies inside a visit, by the times things were done. */
export const isDuring = ({ beganAt, endedAt }: Pick<Visit, 'beganAt' | 'endedAt'>, at: string): boolean =>
  Date.parse(at) >= Date.parse(beganAt) && Date.parse(at) <= Date.parse(endedAt)
