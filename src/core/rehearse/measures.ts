import type { Brief, Target } from '@/core/brief/schema'
import { requirementOf } from '@/core/brief/requirement'
import { MOST_CYCLES_AN_HOUR, MOST_STARTS_AN_HOUR } from '@/core/kit/wear'
import type { Stage } from '@/core/rehearse/run'
import type { Response } from '@/core/response/schema'
import { pulsesOf } from '@/core/rules/table'
import { readColumn, type Trace } from '@/core/rehearse/trace'
import { primaryReads } from '@/core/space/primary'
import type { Read } from '@/core/space/model'
import type { Space } from '@/core/space/schema'
import type { MeasureId, MeasureUnit, MeasureVerdict } from '@/core/scenario/measureIds'
import type { FanTable } from '@/core/space/fanTables'

export type Measure = {
  readonly id: MeasureId
  readonly value: number
  readonly unit: MeasureUnit
  /** What it is held against; null where nobody asked. */
  readonly against: number | null
  /** Beside a time: how far out on the sum, K·h or %RH·h. */
  readonly sum?: number
  /** Its worst moment, s from the start; null where there is none. */
  readonly atS: number | null
  readonly verdict: MeasureVerdict
  /** Whether more of it is better; null where neither is. */
  readonly better: 'less' | 'more' | null
}

/** Changes of speed an hour that annoy people. Common practice, no source. */
const MOST_CHANGES = 60
/** Longest without air that nobody notices, s. Common practice, no source. */
const AIRLESS_S = 3600
const NIGHT = { fromH: 22, toH: 6 }
const DAY_S = 86400
/** A fire is burning as long as its flue is so much warmer than outside, K. */
const BURNING_K = 25
/** Door open below which nobody speaks of a stream. */
const OPEN_SHARE = 0.3
/** Carbon dioxide above which air is stale, ppm: 1000 above outside. From memory, EN 16798 category III is 800. */
const STALE_PPM = 1400

export type MeasureContext = {
  readonly brief: Brief
  readonly space: Space
  readonly powerBy: FanTable['powerBy']
  /** Whether the response runs by a cycle, whose even starts wear less. */
  readonly cycles?: boolean
  /** Which are wanted; all where nothing is said. */
  readonly only?: ReadonlySet<MeasureId>
}

/** How a response is measured on a stage. */
export const measureContext = ({ where, space, tables }: Stage, response: Response): MeasureContext => ({
  brief: where.brief,
  space,
  powerBy: space.fans[0] ? tables(space.fans[0]).powerBy : 'unknown',
  cycles: response.rules.some((rule) => !rule.off && pulsesOf(rule) !== null),
})

const rowEndS = ({ stepS }: Trace, row: number): number => (row + 1) * stepS

/** The highest of several columns, or the one. */
function highestOf(columns: readonly Float64Array[], rows: number): Float64Array | null {
  const [first, ...others] = columns
  if (!first || others.length === 0) return first ?? null
  const highest = first.slice(0, rows)
  for (const column of others)
    for (let row = 0; row < rows; row++) if (column[row]! > highest[row]!) highest[row] = column[row]!
  return highest
}

type Past = { readonly seconds: number; readonly sum: number; readonly worstAt: number }

/** How long, and how far on the sum (unit·h), a column is past a bound; NaN is not past anything. */
function past(column: Float64Array, bound: number, side: 1 | -1, trace: Trace): Past {
  let [seconds, sum, far, worst] = [0, 0, 0, -1]
  for (let row = 0; row < trace.filled; row++) {
    const by = side * (column[row]! - bound)
    if (!(by > 0)) continue
    seconds += trace.stepS
    sum += by
    if (by > far) {
      far = by
      worst = row
    }
  }
  sum *= trace.stepS / 3600
  return { seconds, sum, worstAt: worst }
}

function extreme(column: Float64Array, side: 1 | -1, rows: number): { readonly value: number; readonly row: number } {
  let [value, found] = [-Infinity, -1]
  for (let row = 0; row < rows; row++)
    if (side * column[row]! > value) {
      value = side * column[row]!
      found = row
    }
  return { value: side * value, row: found }
}

const at = (trace: Trace, row: number): number | null => (row < 0 ? null : rowEndS(trace, row))

function pastMeasure(
  id: MeasureId,
  trace: Trace,
  found: Past,
  rest: Pick<Measure, 'against'> & { readonly isHard: boolean },
): Measure {
  return {
    id,
    value: found.seconds,
    unit: 's',
    against: rest.against,
    sum: found.sum,
    atS: at(trace, found.worstAt),
    verdict: rest.isHard ? (found.seconds > 0 ? 'fail' : 'pass') : 'none',
    better: 'less',
  }
}

const targetOf = ({ targets }: Brief, quantity: Target['quantity']): Target | null =>
  targets.find((target) => target.quantity === quantity) ?? null

const temperatureOf = (trace: Trace, space: Space): Float64Array | null =>
  highestOf(
    primaryReads(space).flatMap((name) => readColumn(trace, name) ?? []),
    trace.filled,
  )

function ofTemperature(trace: Trace, { brief, space }: MeasureContext): Measure[] {
  const column = temperatureOf(trace, space)
  return column ? ofTarget(trace, column, targetOf(brief, 'temperature'), false) : []
}

/** How long a space without any air takes to its limit: of the longest stretch in which every fan stood and it was still below when that began. */
function limitAfter(trace: Trace, { brief, space }: MeasureContext): Measure[] {
  const limit = targetOf(brief, 'temperature')?.limitAbove
  const column = temperatureOf(trace, space)
  if (limit == null || !column) return []
  let [since, found]: [number, Measure | null] = [-1, null]
  for (let row = 0; row < trace.filled; row++) {
    if (trace.fansPct.some((fan) => fan[row]! > 0)) since = -1
    else if (since < 0) since = column[row]! <= limit ? row : Infinity
    const reached = since >= 0 && since < row && column[row]! > limit
    if (!reached) continue
    const value = (row - since) * trace.stepS
    if (!found || value > found.value)
      found = {
        id: 'limit-after',
        value,
        unit: 's',
        against: limit,
        atS: rowEndS(trace, row),
        verdict: 'none',
        better: 'more',
      }
    since = Infinity
  }
  return found ? [found] : []
}

function ofHumidity(trace: Trace, { brief }: MeasureContext): Measure[] {
  const [column, target] = [readColumn(trace, 'rhPct'), targetOf(brief, 'humidity')]
  return column && target ? ofTarget(trace, column, target, true) : []
}

function ofTarget(trace: Trace, column: Float64Array, target: Target | null, isDamp: boolean): Measure[] {
  const rows = trace.filled
  const [top, bottom] = [extreme(column, 1, rows), extreme(column, -1, rows)]
  const unit = isDamp ? 'humidity' : 'temperature'
  const limit = target?.limitAbove ?? null
  const peak: Measure = {
    id: isDamp ? 'dampest' : 'hottest',
    value: top.value,
    unit,
    against: limit,
    atS: at(trace, top.row),
    verdict: limit === null ? 'none' : top.value > limit ? 'fail' : 'pass',
    better: 'less',
  }
  const lowest: Measure[] = isDamp
    ? []
    : [
        {
          id: 'coldest',
          value: bottom.value,
          unit,
          against: null,
          atS: at(trace, bottom.row),
          verdict: 'none',
          better: null,
        },
      ]
  if (!target) return [peak, ...lowest]
  return [
    peak,
    ...(limit === null
      ? []
      : [
          pastMeasure(isDamp ? 'damp-past-limit' : 'past-limit', trace, past(column, limit, 1, trace), {
            against: limit,
            isHard: true,
          }),
        ]),
    pastMeasure(isDamp ? 'above-damp' : 'above-band', trace, past(column, target.bandTo, 1, trace), {
      against: target.bandTo,
      isHard: false,
    }),
    pastMeasure(isDamp ? 'below-damp' : 'below-band', trace, past(column, target.bandFrom, -1, trace), {
      against: target.bandFrom,
      isHard: false,
    }),
    ...lowest,
  ]
}

/** The worst hour of something that happens at single steps: how often in it, and when it began. */
function worstHour(trace: Trace, happens: (row: number) => boolean): { readonly count: number; readonly row: number } {
  const rows: number[] = []
  let [best, from, bestRow] = [0, 0, -1]
  for (let row = 1; row < trace.filled; row++) {
    if (!happens(row)) continue
    rows.push(row)
    while ((row - rows[from]!) * trace.stepS >= 3600) from++
    if (rows.length - from > best) [best, bestRow] = [rows.length - from, rows[from]!]
  }
  return { count: best, row: bestRow }
}

const wear = (value: number, most: number): MeasureVerdict => (value > most ? 'wear' : 'none')

/** Duties whose fan stands as long as nothing asks. */
const STANDS: readonly Brief['duty'][] = ['door-curtain', 'stove-flue', 'electronics']

function withoutAir(trace: Trace, { brief }: MeasureContext): Measure[] {
  const { fansPct, stepS } = trace
  let [longest, since, end] = [0, 0, -1]
  for (let row = 0; row < trace.filled; row++) {
    let isRunning = false
    for (let fan = 0; fan < fansPct.length; fan++) if (fansPct[fan]![row]! > 0) isRunning = true
    since = isRunning ? 0 : since + stepS
    if (since > longest) {
      longest = since
      end = row
    }
  }
  return [
    {
      id: 'without-air',
      value: longest,
      unit: 's',
      against: null,
      atS: end < 0 ? null : Math.max(trace.stepS, rowEndS(trace, end) - longest),
      verdict: STANDS.includes(brief.duty) ? 'none' : wear(longest, AIRLESS_S),
      better: 'less',
    },
  ]
}

function ofSpeed(trace: Trace, { cycles = false }: MeasureContext): Measure[] {
  const lead = trace.fansPct[0]!
  const starts = worstHour(trace, (row) => lead[row - 1] === 0 && lead[row]! > 0)
  const changes = worstHour(trace, (row) => lead[row] !== lead[row - 1])
  return [
    {
      id: 'starts',
      value: starts.count,
      unit: 'count',
      against: null,
      atS: at(trace, starts.row),
      verdict: wear(starts.count, cycles ? MOST_CYCLES_AN_HOUR : MOST_STARTS_AN_HOUR),
      better: 'less',
    },
    {
      id: 'changes',
      value: changes.count,
      unit: 'count',
      against: null,
      atS: at(trace, changes.row),
      verdict: wear(changes.count, MOST_CHANGES),
      better: 'less',
    },
  ]
}

const isNight = (trace: Trace, row: number): boolean => {
  const hour = ((row * trace.stepS) % DAY_S) / 3600
  return hour >= NIGHT.fromH || hour < NIGHT.toH
}

/** Sound of the nights: the mean by energy, and how long over what was asked. */
function ofSound(trace: Trace, { space: { nightDb } }: MeasureContext): Measure[] {
  const { soundDb } = trace
  let [energy, rows, over, loudest, worst, any] = [0, 0, 0, -Infinity, -1, false]
  for (let row = 0; row < trace.filled; row++) {
    if (soundDb[row]! > 0) any = true
    if (!isNight(trace, row)) continue
    rows++
    energy += 10 ** (soundDb[row]! / 10)
    if (nightDb !== null && soundDb[row]! > nightDb) over += trace.stepS
    if (soundDb[row]! > loudest) {
      loudest = soundDb[row]!
      worst = row
    }
  }
  if (!any || rows === 0) return []
  return [
    {
      id: 'night-sound',
      value: 10 * Math.log10(energy / rows),
      unit: 'sound',
      against: null,
      atS: at(trace, worst),
      verdict: 'none',
      better: 'less',
    },
    ...(nightDb === null
      ? []
      : [
          {
            id: 'night-over' as const,
            value: over,
            unit: 's' as const,
            against: nightDb,
            atS: over > 0 ? at(trace, worst) : null,
            verdict: over > 0 ? ('fail' as const) : ('pass' as const),
            better: 'less' as const,
          },
        ]),
  ]
}

const kWh = (column: Float64Array, trace: Trace): number => {
  let sum = 0
  for (let row = 0; row < trace.filled; row++) sum += column[row]!
  return (sum * trace.stepS) / 3.6e6
}

const plain = (id: MeasureId, value: number, unit: MeasureUnit, better: Measure['better']): Measure => ({
  id,
  value,
  unit,
  against: null,
  atS: null,
  verdict: 'none',
  better,
})

function ofEnergy(trace: Trace, { powerBy, space }: MeasureContext): Measure[] {
  const [heatOut, heating] = [readColumn(trace, 'airHeatW'), readColumn(trace, 'heatingW')]
  return [
    ...(powerBy === 'unknown' ? [] : [plain('energy', kWh(trace.powerW, trace), 'kWh', 'less')]),
    ...(heatOut ? [plain('heat-out', kWh(heatOut, trace), 'kWh', null)] : []),
    ...(heating && space.serves.kind !== 'condenser' ? [plain('heating', kWh(heating, trace), 'kWh', 'less')] : []),
  ]
}

/** Seconds in which a row is as it should not be, and the first of the longest spell. */
function counted(
  id: MeasureId,
  trace: Trace,
  isWrong: (row: number) => boolean,
  verdict: 'fail' | 'wear' | 'none',
): Measure {
  let [seconds, since, longest, from] = [0, 0, 0, -1]
  for (let row = 0; row < trace.filled; row++) {
    if (!isWrong(row)) {
      since = 0
      continue
    }
    seconds += trace.stepS
    since++
    if (since > longest) {
      longest = since
      from = row - since + 1
    }
  }
  return {
    id,
    value: seconds,
    unit: 's',
    against: null,
    atS: at(trace, from),
    verdict: seconds > 0 ? verdict : verdict === 'fail' ? 'pass' : 'none',
    better: 'less',
  }
}

function ofFlow(trace: Trace, { brief, space }: MeasureContext): Measure[] {
  const requirement = requirementOf(brief)
  const moved = space.fans.some(({ way }) => way === 'out') ? trace.outLs : trace.inLs
  if (!space.fans.some(({ way }) => way === 'out' || way === 'in')) return []
  let [lowest, row] = [Infinity, -1]
  for (let at = 0; at < trace.filled; at++)
    if (moved[at]! > 0 && moved[at]! < lowest) {
      lowest = moved[at]!
      row = at
    }
  const lowestFlow: Measure = {
    id: 'lowest-flow',
    value: lowest === Infinity ? 0 : lowest,
    unit: 'flow',
    against: requirement?.kept === 'always' ? requirement.flowLs : null,
    atS: at(trace, row),
    verdict: 'none',
    better: 'more',
  }
  if (!requirement) return [lowestFlow]
  if (requirement.kept === 'always')
    return [lowestFlow, counted('short-of-air', trace, (at) => moved[at]! < requirement.flowLs - 0.05, 'fail')]
  if (requirement.kept !== 'mean') return [lowestFlow]
  const window = Math.max(1, Math.round(requirement.overS / trace.stepS))
  const means = slidingMean(moved, window, trace.filled)
  return [
    lowestFlow,
    counted('short-of-air', trace, (at) => at >= window - 1 && means[at]! < requirement.flowLs - 0.05, 'fail'),
  ]
}

/** The mean of the last `window` rows at each row. */
function slidingMean(column: Float64Array, window: number, rows: number): Float64Array {
  const means = new Float64Array(rows)
  let sum = 0
  for (let row = 0; row < rows; row++) {
    sum += column[row]! - (row >= window ? column[row - window]! : 0)
    means[row] = sum / Math.min(window, row + 1)
  }
  return means
}

/** Suction is asked of a space that only lets air out, or more out than in. */
function ofPressure(trace: Trace, { brief, space }: MeasureContext): Measure[] {
  const pressure = readColumn(trace, 'pressurePa')
  const wantsSuction = ['extract', 'exhaust', 'grow-room', 'livestock'].includes(brief.duty)
  if (!pressure || !wantsSuction || !space.fans.some(({ way }) => way === 'out')) return []
  return [
    counted('suction-lost', trace, (row) => trace.outLs[row]! > 0 && trace.outLs[row]! < trace.inLs[row]!, 'wear'),
  ]
}

function ofModel(trace: Trace, { space }: MeasureContext): Measure[] {
  const { serves } = space
  const read = (name: Read) => readColumn(trace, name)
  const found: Measure[] = []
  const water = read('surfaceWaterG')
  if (water) found.push(counted('surface-water', trace, (row) => water[row]! > 0.5, 'wear'))
  const co2 = read('co2Ppm')
  if (co2 && space.serves.kind !== 'house') found.push(counted('stale', trace, (row) => co2[row]! > STALE_PPM, 'none'))
  if (serves.kind === 'condenser') {
    const coil = temperatureOf(trace, space)
    if (coil) {
      const lowC = serves.leastC - serves.probeBelowK
      found.push(counted('head-low', trace, (row) => trace.load[row]! > 0 && coil[row]! < lowC, 'fail'))
      const trips = worstTrips(trace, coil, serves.tripC - serves.probeBelowK)
      found.push({
        ...plain('trips', trips.count, 'count', 'less'),
        atS: at(trace, trips.row),
        verdict: trips.count > 0 ? 'fail' : 'pass',
      })
    }
  }
  const [draught, flue] = [read('draughtPa'), read('flueC')]
  if (draught && flue)
    found.push(
      counted('spill', trace, (row) => flue[row]! > trace.outdoorC[row]! + BURNING_K && draught[row]! < 0, 'fail'),
    )
  const floor = read('floorReached')
  if (floor)
    found.push(counted('floor-missed', trace, (row) => trace.doorOpen[row]! > OPEN_SHARE && floor[row]! < 1, 'wear'))
  return found
}

/** How often a column comes up to a bound. */
function worstTrips(
  trace: Trace,
  column: Float64Array,
  bound: number,
): { readonly count: number; readonly row: number } {
  let [count, first] = [0, -1]
  for (let row = 1; row < trace.filled; row++)
    if (column[row]! >= bound && column[row - 1]! < bound) {
      count++
      if (first < 0) first = row
    }
  return { count, row: first }
}

/** Measures that are made together, so that nobody waits for what is not asked. */
const GROUPS: readonly {
  readonly ids: readonly MeasureId[]
  readonly of: (trace: Trace, context: MeasureContext) => Measure[]
}[] = [
  { ids: ['hottest', 'past-limit', 'above-band', 'below-band', 'coldest'], of: ofTemperature },
  { ids: ['limit-after'], of: limitAfter },
  { ids: ['dampest', 'damp-past-limit', 'above-damp', 'below-damp'], of: ofHumidity },
  { ids: ['surface-water', 'stale', 'head-low', 'trips', 'spill', 'floor-missed'], of: ofModel },
  { ids: ['suction-lost'], of: ofPressure },
  { ids: ['lowest-flow', 'short-of-air'], of: ofFlow },
  { ids: ['without-air'], of: withoutAir },
  { ids: ['starts', 'changes'], of: ofSpeed },
  { ids: ['night-sound', 'night-over'], of: ofSound },
  { ids: ['energy', 'heat-out', 'heating'], of: ofEnergy },
]

/** What a rehearsal comes to: figures with their worst moments, held against the brief. What a space of absurd figures leaves without a number is
 *  left out. */
export const measure = (trace: Trace, context: MeasureContext): Measure[] =>
  GROUPS.flatMap(({ ids, of }) =>
    !context.only || ids.some((id) => context.only!.has(id)) ? of(trace, context) : [],
  ).filter(({ value }) => Number.isFinite(value))
