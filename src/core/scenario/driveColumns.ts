import { clamp } from '@/core/json/clamp'
import { normal, seededRandom } from '@/core/json/seededRandom'
import type { Line, Scenario } from '@/core/scenario/schema'
import { DRIVE, DRIVE_RANGES, DRIVES } from '@/core/space/model'

const DAY_S = 86400

/** Every drive of a scenario at each step: `columns[drive][step]`, the value that holds through the step that begins at `step · stepS`. */
export type DriveColumns = {
  readonly stepS: number
  readonly steps: number
  readonly columns: readonly Float64Array[]
}

/** A line's value at a time, walking forward only: `at` is where the walk is. */
function valueAt({ points, how, daily }: Line, seconds: number, walk: { at: number }): number {
  if (daily && walk.at > 0 && points[walk.at]!.atS > seconds) walk.at = 0
  while (walk.at + 1 < points.length && points[walk.at + 1]!.atS <= seconds) walk.at++
  const here = points[walk.at]!
  const isBefore = here.atS > seconds
  // A daily line goes round: before its first point it comes from its last.
  const from = isBefore && daily ? { ...points.at(-1)!, atS: points.at(-1)!.atS - DAY_S } : here
  const next = isBefore
    ? here
    : (points[walk.at + 1] ?? (daily ? { ...points[0]!, atS: points[0]!.atS + DAY_S } : null))
  if (how === 'steps' || !next) return isBefore && !daily ? here.value : from.value
  if (isBefore && !daily) return here.value
  return from.value + ((next.value - from.value) * (seconds - from.atS)) / (next.atS - from.atS)
}

/** The mean of a day's shift at a time: from noon to noon it goes over into the next, so that nothing jumps at midnight. */
function shiftAt(shift: readonly number[] | undefined, seconds: number): number {
  if (!shift || shift.length === 0) return 0
  const at = seconds / DAY_S - 0.5
  const day = Math.floor(at)
  const of = (index: number) => shift[((index % shift.length) + shift.length) % shift.length]!
  return day < 0 ? of(0) : of(day) + (of(day + 1) - of(day)) * (at - day)
}

/** How far a line has wandered, at knots this far apart: the same whatever the step. */
const KNOT_S = 300

function wandering({ wander }: Line, endS: number, random: () => number): Float64Array | null {
  if (!wander) return null
  const keeps = Math.exp(-KNOT_S / wander.overS)
  const fresh = wander.by * Math.sqrt(1 - keeps * keeps)
  let away = 0
  return Float64Array.from(
    { length: Math.ceil(endS / KNOT_S) + 2 },
    () => (away = keeps * away + fresh * normal(random)),
  )
}

function fillLine(line: Line, column: Float64Array, stepS: number, random: () => number): void {
  const { from, to } = DRIVE_RANGES[line.drive]
  const walk = { at: 0 }
  const away = wandering(line, column.length * stepS, random)
  for (let step = 0; step < column.length; step++) {
    const seconds = step * stepS
    const knot = seconds / KNOT_S
    const low = Math.floor(knot)
    const wandered = away ? away[low]! + (away[low + 1]! - away[low]!) * (knot - low) : 0
    const plain = valueAt(line, line.daily ? seconds % DAY_S : seconds, walk)
    column[step] = clamp(plain + shiftAt(line.dayShift, seconds) + wandered, from, to)
  }
}

/** Openings by chance: as many an hour as the profile says (a Poisson stream), each as long as a draw from an exponential says. */
function fillTraffic({ traffic }: Scenario, column: Float64Array, stepS: number, random: () => number): void {
  if (!traffic) return
  const endS = column.length * stepS
  let atS = 0
  while (atS < endS) {
    const perHour = traffic.perHour[Math.floor((atS % DAY_S) / 3600)]!
    const toHourEnd = 3600 - (atS % 3600)
    const waitS = perHour > 0 ? (-Math.log(1 - random()) * 3600) / perHour : Infinity
    // Without memory: an hour that brings nobody is left behind, and the next is drawn anew.
    if (waitS >= toHourEnd) {
      atS += toHourEnd
      continue
    }
    const openS = Math.max(2, -Math.log(1 - random()) * traffic.openS)
    addOpen(column, atS + waitS, atS + waitS + openS, stepS)
    atS += waitS + openS
  }
}

/** The share of each step during which it stands open. */
function addOpen(column: Float64Array, fromS: number, toS: number, stepS: number): void {
  for (let step = Math.floor(fromS / stepS); step < column.length && step * stepS < toS; step++) {
    const within = Math.min(toS, (step + 1) * stepS) - Math.max(fromS, step * stepS)
    column[step] = Math.min(1, column[step]! + within / stepS)
  }
}

/** What a scenario moves, step by step. The same seed gives the same day, whatever the step. */
export function driveColumns(scenario: Scenario, stepS: number): DriveColumns {
  const steps = Math.round((scenario.days * DAY_S) / stepS)
  const columns = DRIVES.map((drive) => new Float64Array(steps).fill(DRIVE_RANGES[drive].rest))
  for (const line of scenario.lines)
    fillLine(line, columns[DRIVE[line.drive]]!, stepS, seededRandom(scenario.seed + DRIVE[line.drive] * 7919))
  fillTraffic(scenario, columns[DRIVE.doorOpen]!, stepS, seededRandom(scenario.seed + 104729))
  for (const event of scenario.events) {
    if (event.kind !== 'drive' && event.kind !== 'power-cut' && event.kind !== 'brown-out') continue
    const [drive, value] =
      event.kind === 'drive'
        ? [event.drive, event.value]
        : ['supplyPct' as const, event.kind === 'brown-out' ? event.supplyPct : 0]
    const [first, end] = [Math.round(event.atS / stepS), Math.round((event.atS + event.lengthS) / stepS)]
    columns[DRIVE[drive]]!.fill(value, first, Math.max(first + 1, end))
  }
  return { stepS, steps, columns }
}
