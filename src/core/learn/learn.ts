import { fail, ok, type Outcome } from '@/core/json/problem'
import { learnables, type Learnable } from '@/core/learn/learnable'
import { leastSquares, type Bound } from '@/core/learn/leastSquares'
import { fanTable, tableAt } from '@/core/space/fanTables'
import { DRIVE, DRIVE_RANGES, DRIVES, FLOW, FLOWS, READ, READS, type Drive } from '@/core/space/model'
import { primaryReads } from '@/core/space/primary'
import type { Serves, Space } from '@/core/space/schema'
import type { Where } from '@/core/space/starting'
import { makeSpace } from '@/core/space/table'

/** What a logger saw: the temperature the space had, what moved it, and how fast the fans ran. All of one length. */
export type LearnReadings = {
  /** Seconds from the first, rising. */
  readonly atS: Float64Array
  /** What was read of the space, °C. */
  readonly readC: Float64Array
  readonly drives: Partial<Record<Drive, Float64Array>>
  /** Speed of each fan of the space, percent. */
  readonly fansPct: readonly Float64Array[]
}

export type LearntFigure = Learnable & {
  readonly value: number
  readonly low: number
  readonly high: number
  /** Whether the readings tell it at all: its range lies well within what it could have been. */
  readonly isTold: boolean
}

export type Learnt = {
  readonly space: Space
  readonly figures: readonly LearntFigure[]
  /** Root mean square of what was left over in the part that was fitted, and in the part that was only predicted, K. */
  readonly fittedK: number
  readonly predictedK: number
  /** Fitted and predicted, at each reading; the first `fittedRows` were fitted. */
  readonly madeC: Float64Array
  readonly fittedRows: number
  readonly hours: number
}

/** Two thirds are fitted, the last third is predicted. */
const FITTED_SHARE = 2 / 3
const LEAST_HOURS = 8
/** Smallest changes of the fan (percent) and outside (K) that tell anything. Common practice, no source. */
const LEAST_SPEED_PCT = 5
const LEAST_OUTSIDE_K = 1.5
/** Half width of a stated range, standard errors: 99 in a hundred. */
const RANGE_ERRORS = 2.6
/** A figure that could be so many times more or less is not told. */
const TOLD_TIMES = 2.5
/** How far the second store may lie from the first at the start, K. */
const START_K: Bound = [-12, 12]
/** Whether what lies behind the read store tells on it. */
const hasBehind = ({ kind }: Serves): boolean => kind !== 'condenser' && kind !== 'stove'
/** Longest step of the model between two readings, s. */
const LONGEST_S = 300

const span = (list: Float64Array): number => {
  let [low, high] = [Infinity, -Infinity]
  for (const x of list) {
    if (x < low) low = x
    if (x > high) high = x
  }
  return high - low
}

/** Why a file cannot tell, or nothing. */
function cannotTell({ atS, drives, fansPct }: LearnReadings): string | null {
  const hours = (atS.at(-1) ?? 0) / 3600
  if (hours < LEAST_HOURS)
    return `These readings last ${hours.toFixed(1)} hours; a space is not told from less than ${LEAST_HOURS}. Take a day or more.`
  const outside = drives.outdoorC ? span(drives.outdoorC) : 0
  const speed = Math.max(0, ...fansPct.map(span))
  if (speed < LEAST_SPEED_PCT && outside < LEAST_OUTSIDE_K)
    return 'Neither the fan nor the air outside changed: many spaces would read like this. Take readings while the fan runs at different speeds.'
  if (speed < LEAST_SPEED_PCT)
    return 'The fan ran at one speed throughout, never above its floor: nothing tells what its air carries away. Take readings while it runs faster for some hours.'
  return null
}

/** Runs a space through readings: its first store begins at what was read, the second so much away. */
function makeTrack(space: Space, where: Where, readings: LearnReadings) {
  const { atS, readC, drives, fansPct } = readings
  const tables = space.fans.map((fan) => fanTable(fan, where))
  const fullOver = space.fans.reduce(
    (sum, { way }, fan) => sum + (way === 'over' ? tableAt(tables[fan]!.flowLs, 100) : 0),
    0,
  )
  const row = Float64Array.from(DRIVES, (drive) => DRIVE_RANGES[drive].rest)
  const flows = new Float64Array(FLOWS.length)
  const reads = new Float64Array(READS.length)
  const none = new Uint8Array(0)
  const [primary] = primaryReads(space)
  const probe = space.probes[0]
  function drive(index: number): void {
    for (const [name, column] of Object.entries(drives)) row[DRIVE[name as Drive]] = column[index]!
    flows.fill(0)
    space.fans.forEach(({ way }, fan) => {
      const pct = fansPct[fan]?.[index] ?? 0
      if (way === 'flue') flows[FLOW.flueShare]! += pct / 100
      else
        flows[way === 'out' ? FLOW.outLs : way === 'in' ? FLOW.inLs : FLOW.overLs]! += tableAt(tables[fan]!.flowLs, pct)
    })
    flows[FLOW.overShare] = fullOver > 0 ? flows[FLOW.overLs]! / fullOver : 0
  }
  return (serves: Serves, apartK: number): Float64Array => {
    const running = makeSpace(serves, { outputIds: [] })
    drive(0)
    const state = running.start(row)
    running.begin(state, readC[0]!, readC[0]! + apartK)
    const made = new Float64Array(atS.length)
    let shown = readC[0]!
    made[0] = shown
    for (let index = 1; index < atS.length; index++) {
      drive(index - 1)
      let left = atS[index]! - atS[index - 1]!
      while (left > 1e-9) {
        const stepS = Math.min(left, LONGEST_S)
        running.step(state, row, flows, none, stepS, reads)
        const x = reads[READ[primary!]]!
        shown = probe && probe.lagS > 0 ? x + (shown - x) * Math.exp(-stepS / probe.lagS) : x
        left -= stepS
      }
      made[index] = shown
    }
    return made
  }
}

const rms = (made: Float64Array, read: Float64Array, from: number, to: number): number => {
  let sum = 0
  for (let row = from; row < to; row++) sum += (made[row]! - read[row]!) ** 2
  return Math.sqrt(sum / Math.max(1, to - from))
}

/** The figures of a space as readings tell them: capacities, conductances and gains by least squares within bounds, from those it has now. They
 *  move by their logarithm, so that none becomes negative. */
export function learn(space: Space, where: Where, readings: LearnReadings): Outcome<Learnt> {
  const why = cannotTell(readings)
  if (why !== null) return fail({ code: 'cannot_learn', path: '', why })
  const { atS, readC } = readings
  const list = learnables(space.serves)
  const track = makeTrack(space, where, readings)
  const fittedRows = Math.max(2, Math.round(atS.length * FITTED_SHARE))
  const servesAt = (logs: readonly number[]): Serves => ({
    ...space.serves,
    ...Object.fromEntries(
      list.map(({ key }, index) => [
        key,
        Number((space.serves as Record<string, unknown>)[key]) * Math.exp(logs[index]!),
      ]),
    ),
  })
  const apartOf = (parameters: readonly number[]): number => parameters[list.length] ?? 0
  const residuals = (parameters: readonly number[]): Float64Array => {
    const made = track(servesAt(parameters), apartOf(parameters))
    return Float64Array.from({ length: fittedRows }, (_, row) => made[row]! - readC[row]!)
  }
  const bounds: Bound[] = [
    ...list.map(({ times }): Bound => [-Math.log(times), Math.log(times)]),
    ...(hasBehind(space.serves) ? [START_K] : []),
  ]
  const fitted = leastSquares(
    residuals,
    bounds.map(() => 0),
    bounds,
  )
  if (!fitted)
    return fail({
      code: 'cannot_learn',
      path: '',
      why: 'These readings do not tell the figures apart: several spaces would read like this. Take readings over more weather and more speeds.',
    })
  const serves = servesAt(fitted.parameters)
  const made = track(serves, apartOf(fitted.parameters))
  const fittedK = rms(made, readC, 0, fittedRows)
  return ok({
    space: { ...space, serves },
    figures: list.map((figure, index): LearntFigure => {
      const [log, error] = [fitted.parameters[index]!, Math.sqrt(fitted.covariance[index]![index]!) * RANGE_ERRORS]
      const start = Number((space.serves as Record<string, unknown>)[figure.key])
      const atBound = Math.abs(log) > Math.log(figure.times) - 1e-6
      return {
        ...figure,
        value: start * Math.exp(log),
        low: start * Math.exp(log - error),
        high: start * Math.exp(log + error),
        isTold: !atBound && error < Math.log(TOLD_TIMES),
      }
    }),
    fittedK,
    predictedK: rms(made, readC, fittedRows, atS.length),
    madeC: made,
    fittedRows,
    hours: (atS.at(-1) ?? 0) / 3600,
  })
}
