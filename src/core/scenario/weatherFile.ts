import type { Epw, EpwHour } from '@/core/formats/epw/parse'
import { clamp } from '@/core/json/clamp'
import type { Line } from '@/core/scenario/schema'
import { DRIVE_RANGES, type Drive } from '@/core/space/model'

const HOUR_S = 3600

/** Where the days of a date begin in a weather file; −1 where it has none of that date. */
export const hourOfDate = ({ hours }: Epw, month: number, day: number): number =>
  hours.findIndex((hour) => hour.month === month && hour.day === day && hour.hour === 0)

const YEAR_H = 365 * 24
/** Hours since New Year in a year without a leap day, as weather files count. */
const hourOfYear = ({ month, day, hour }: EpwHour): number =>
  (Date.UTC(2025, month - 1, day) - Date.UTC(2025, 0, 1)) / 3_600_000 + hour

/** Rain of a tenth of a millimetre an hour wets a coil as much as any. */
const WETS_MM = 0.1

const COLUMNS: readonly (readonly [drive: Drive, of: (hour: EpwHour) => number])[] = [
  ['outdoorC', ({ tempC }) => tempC],
  ['outdoorRhPct', ({ rhPct }) => rhPct],
  ['sunWM2', ({ sunWM2 }) => sunWM2],
  ['windMs', ({ windMs }) => windMs],
  ['rain', ({ rainMm }) => clamp(rainMm / WETS_MM, 0, 1)],
]

/** So many days of a weather file as lines, from an hour on. An hour that is missing has no point: a long gap is refused by the check of the
 *  scenario, a short one is bridged. */
export function epwLines({ hours }: Epw, fromHour: number, days: number): Line[] {
  const start = hours[fromHour]
  if (!start) return []
  // By their dates, not by their places: a file that skips an hour leaves a gap.
  const taken = hours.slice(fromHour).flatMap((hour) => {
    const at = (hourOfYear(hour) - hourOfYear(start) + YEAR_H) % YEAR_H
    return at <= days * 24 ? [{ hour, atS: at * HOUR_S }] : []
  })
  return COLUMNS.flatMap(([drive, of]): Line[] => {
    const { from, to } = DRIVE_RANGES[drive]
    const points = taken.flatMap(({ hour, atS }) => {
      const value = of(hour)
      return Number.isFinite(value) ? [{ atS, value: clamp(value, from, to) }] : []
    })
    return points.length > 0 ? [{ drive, how: 'straight', daily: false, points }] : []
  })
}

/** Most points a line of a readings file keeps: a long file is thinned to means of equal stretches. */
const MOST_POINTS = 10_000

/** A column of readings as a line: seconds from the first reading. */
export function readingsLine(drive: Drive, atS: Float64Array, values: Float64Array): Line {
  const { from, to } = DRIVE_RANGES[drive]
  const stretch = Math.ceil(atS.length / MOST_POINTS)
  const points: { atS: number; value: number }[] = []
  for (let first = 0; first < atS.length; first += stretch) {
    const part = values.slice(first, first + stretch).filter(Number.isFinite)
    if (part.length === 0) continue
    const mean = part.reduce((sum, value) => sum + value, 0) / part.length
    points.push({ atS: Math.round(atS[first]!), value: clamp(Math.round(mean * 1000) / 1000, from, to) })
  }
  return { drive, how: 'straight', daily: false, points }
}
