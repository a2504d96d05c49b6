import { fail, ok, type Outcome } from '@/core/json/problem'
import { learnables, waterLearnables, type Learnable } from '@/core/learn/learnable'
import { leastSquares, type Bound } from '@/core/learn/leastSquares'
import { fanTable } from '@/core/space/fanTables'
import { addFlow, fullOverLs, putOverShare } from '@/core/space/flows'
import { DRIVE, DRIVE_RANGES, DRIVES, FLOWS, READ, READS, type Drive } from '@/core/space/model'
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
  /** Its humidity, %RH; null where none was read. */
  readonly readRhPct?: Float64Array | null
  readonly drives: Partial<Record<Drive, Float64Array>>
  /** Speed of each fan of the space, percent. */
  readonly fansPct: readonly Float64Array[]
}

type LearntFigure = Learnable & {
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
const LONGEST_S = 600

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

type Track = { readonly madeC: Float64Array; readonly madeRhPct: Float64Array }

/** Runs a space through readings: its first store begins at what was read, the second so much away. */
function makeTrack(space: Space, where: Where, readings: LearnReadings) {
  const { atS, readC, readRhPct, drives, fansPct } = readings
  const fans = space.fans.map((fan) => ({ way: fan.way, table: fanTable(fan, where) }))
  const fullOver = fullOverLs(fans)
  const row = Float64Array.from(DRIVES, (drive) => DRIVE_RANGES[drive].rest)
  const flows = new Float64Array(FLOWS.length)
  const reads = new Float64Array(READS.length)
  const none = new Uint8Array(0)
  const [primary] = primaryReads(space)
  const probe = space.probes[0]
  function drive(index: number): void {
    for (const [name, column] of Object.entries(drives)) row[DRIVE[name as Drive]] = column[index]!
    flows.fill(0)
    fans.forEach((fan, place) => addFlow(flows, fan, fansPct[place]?.[index] ?? 0))
    putOverShare(flows, fullOver)
  }
  return (serves: Serves, apartK: number): Track => {
    const running = makeSpace(serves, { outputIds: [] })
    drive(0)
    const state = running.start(row)
    running.begin(state, readC[0]!, readC[0]! + apartK, readRhPct?.[0])
    const made = new Float64Array(atS.length)
    const madeRhPct = new Float64Array(atS.length).fill(readRhPct?.[0] ?? NaN)
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
      madeRhPct[index] = reads[READ.rhPct]!
    }
    return { madeC: made, madeRhPct }
  }
}

const rms = (made: Float64Array, read: Float64Array, from: number, to: number): number => {
  let sum = 0
  for (let row = from; row < to; row++) sum += (made[row]! - read[row]!) ** 2
  return Math.sqrt(sum / Math.max(1, to - from))
}

const figureOf = (serves: Serves, key: string): number => Number((serves as unknown as Record<string, unknown>)[key])

/** A space with its figures so many times as much, by their logarithms: none becomes negative. */
const timesMore = (serves: Serves, list: readonly Learnable[], logs: readonly number[]): Serves => ({
  ...serves,
  ...Object.fromEntries(list.map(({ key }, index) => [key, figureOf(serves, key) * Math.exp(logs[index]!)])),
})

type FitOf = {
  readonly serves: Serves
  readonly list: readonly Learnable[]
  /** Parameters beside the figures. */
  readonly more: readonly Bound[]
  readonly residuals: (serves: Serves, more: readonly number[]) => Float64Array
}

/** Figures of a space by least squares, each with its range; null where nothing tells them apart. */
function fitFigures({ serves, list, more, residuals }: FitOf) {
  const bounds: Bound[] = [...list.map(({ times }): Bound => [-Math.log(times), Math.log(times)]), ...more]
  const rest = (parameters: readonly number[]) => parameters.slice(list.length)
  const fitted = leastSquares(
    (parameters) => residuals(timesMore(serves, list, parameters), rest(parameters)),
    bounds.map(() => 0),
    bounds,
  )
  if (!fitted) return null
  const figures = list.map((figure, index): LearntFigure => {
    const [log, error] = [fitted.parameters[index]!, Math.sqrt(fitted.covariance[index]![index]!) * RANGE_ERRORS]
    const start = figureOf(serves, figure.key)
    const atBound = Math.abs(log) > Math.log(figure.times) - 1e-6
    return {
      ...figure,
      value: start * Math.exp(log),
      low: start * Math.exp(log - error),
      high: start * Math.exp(log + error),
      isTold: !atBound && error < Math.log(TOLD_TIMES),
    }
  })
  return { serves: timesMore(serves, list, fitted.parameters), figures, more: rest(fitted.parameters) }
}

/** Water given off where nobody said any, to begin with, g/h: something has to be there to become more or less. */
const START_WATER_GH = 60

/** What the humidity tells of the water, once the heat is known. */
function fitWater(
  serves: Serves,
  apartK: number,
  track: ReturnType<typeof makeTrack>,
  read: Float64Array,
  rows: number,
) {
  const start = 'waterGH' in serves && serves.waterGH === 0 ? { ...serves, waterGH: START_WATER_GH } : serves
  return fitFigures({
    serves: start,
    list: waterLearnables(start),
    more: [],
    residuals: (tried) => {
      const { madeRhPct } = track(tried, apartK)
      return Float64Array.from({ length: rows }, (_, row) => madeRhPct[row]! - read[row]!)
    },
  })
}

/** The figures of a space as readings tell them: capacities, conductances, gains, and where humidity was read the water, by least squares within
 *  bounds, from those it has now. */
export function learn(space: Space, where: Where, readings: LearnReadings): Outcome<Learnt> {
  const why = cannotTell(readings)
  if (why !== null) return fail({ code: 'cannot_learn', path: '', why })
  const { atS, readC, readRhPct } = readings
  const track = makeTrack(space, where, readings)
  const fittedRows = Math.max(2, Math.round(atS.length * FITTED_SHARE))
  const heat = fitFigures({
    serves: space.serves,
    list: learnables(space.serves),
    more: hasBehind(space.serves) ? [START_K] : [],
    residuals: (serves, [apartK = 0]) => {
      const { madeC } = track(serves, apartK)
      return Float64Array.from({ length: fittedRows }, (_, row) => madeC[row]! - readC[row]!)
    },
  })
  if (!heat)
    return fail({
      code: 'cannot_learn',
      path: '',
      why: 'These readings do not tell the figures apart: several spaces would read like this. Take readings over more weather and more speeds.',
    })
  const [apartK = 0] = heat.more
  const water = readRhPct ? fitWater(heat.serves, apartK, track, readRhPct, fittedRows) : null
  const { madeC } = track(heat.serves, apartK)
  return ok({
    space: { ...space, serves: water ? water.serves : heat.serves },
    figures: [...heat.figures, ...(water?.figures ?? [])],
    fittedK: rms(madeC, readC, 0, fittedRows),
    predictedK: rms(madeC, readC, fittedRows, atS.length),
    madeC,
    fittedRows,
    hours: (atS.at(-1) ?? 0) / 3600,
  })
}

/** What was learnt as a space that says from which readings, and how far it was off where it was only predicted. */
export const learntSpace = ({ space, predictedK }: Pick<Learnt, 'space' | 'predictedK'>, from: string): Space => ({
  ...space,
  learnt: { from: from.slice(-120), offBy: Math.round(predictedK * 100) / 100 },
})
