import type { Care } from '@/core/controller/safeSide'
import type { Ramp } from '@/core/rules/ramp'

/** A ramp as it comes out at the fan, before the steps of the output: between its floor and its ceiling, `restPct` where it asks for nothing. */
export type RampCurve = Pick<Ramp, 'startAt' | 'fullAt' | 'fromPct' | 'toPct' | 'below'> & {
  readonly floorPct: number
  readonly ceilingPct: number
  readonly restPct: number
}

function speedOn(curve: RampCurve, x: number): number {
  const { startAt, fullAt, fromPct, toPct, below, floorPct, ceilingPct, restPct } = curve
  const along = (x - startAt) / (fullAt - startAt)
  if (along < 0 && below === 'nothing') return restPct
  const pct = along <= 0 ? fromPct : along >= 1 ? toPct : fromPct + (toPct - fromPct) * along
  return pct < floorPct ? floorPct : pct > ceilingPct ? ceilingPct : pct
}

type Range = readonly [low: number, high: number]
/** How far one curve lies off another: greatest and mean, and the mean by which it errs to the wrong side. */
type Measure = { readonly greatestPct: number; readonly meanPct: number; readonly wrong: number }
/** Just inside a piece, so that a jump at its edge belongs to the other one. */
const INSIDE = 1e-7
const FAR = 1e9
/** Figures this near are the same. */
const NEAR = 1e-9

/** What a choice is measured by: the mean of the difference over the input’s range, and a fiftieth of its greatest. A room lives by the mean;
 *  five points at one spot weigh as much as a tenth of a point everywhere. Common practice, no source. */
export const GREATEST_WEIGHT = 0.02
const offOf = ({ meanPct, greatestPct }: Measure): number => meanPct + GREATEST_WEIGHT * greatestPct

/** Where the pieces of two curves end, ascending: a list that is filled anew for each pair, as there are thousands. */
class Corners {
  private readonly xs = new Float64Array(16)
  length = 0

  constructor(
    private readonly low: number,
    private readonly high: number,
  ) {}

  clear(): void {
    this.xs[0] = this.low
    this.xs[1] = this.high
    this.length = 2
  }

  at = (index: number): number => this.xs[index]!

  add(x: number): void {
    if (!(x > this.low && x < this.high)) return
    let place = this.length++
    for (; this.xs[place - 1]! > x; place--) this.xs[place] = this.xs[place - 1]!
    this.xs[place] = x
  }

  /** Where a ramp comes to a speed; a flat one does nowhere. */
  addMeeting({ startAt, fullAt, fromPct, toPct }: RampCurve, pct: number): void {
    if (toPct !== fromPct) this.add(startAt + ((fullAt - startAt) * (pct - fromPct)) / (toPct - fromPct))
  }

  /** Where a curve bends: its start and end, and where it meets its floor and its ceiling. */
  addBendsOf(curve: RampCurve): void {
    this.add(curve.startAt)
    this.add(curve.fullAt)
    this.addMeeting(curve, curve.floorPct)
    this.addMeeting(curve, curve.ceilingPct)
  }
}

/** Mean of what lies above 0 over a straight piece from d0 to d1. */
function meanAbove(d0: number, d1: number): number {
  if (d0 <= 0 && d1 <= 0) return 0
  if (d0 >= 0 && d1 >= 0) return (d0 + d1) / 2
  const most = d0 > d1 ? d0 : d1
  return (most * most) / (2 * Math.abs(d0 - d1))
}

/** Compares a curve with the nearest that could be made of what was asked: between its own least and most speed, which stand before the start and
 *  past the end, as no start or band could change those. Between two bends both are straight, so every figure is exact. */
function comparer(asked: RampCurve, [low, high]: Range, care: Care) {
  const way = asked.fullAt > asked.startAt ? 1 : -1
  const corners = new Corners(low, high)
  /** @param worst a measure that has to be bettered: said as soon as it cannot be any more, and by what */
  return (given: RampCurve, worst: Measure | null): Measure | 'errs' | 'lies-off' => {
    const leastPct = speedOn(given, given.startAt - way * FAR)
    const mostPct = speedOn(given, given.fullAt + way * FAR)
    const worstOff = worst ? (offOf(worst) + NEAR) * (high - low) : Infinity
    const worstWrong = worst ? (worst.wrong + NEAR) * (high - low) : Infinity
    corners.clear()
    corners.addBendsOf(asked)
    corners.addBendsOf(given)
    for (const pct of [leastPct, mostPct]) corners.addMeeting(asked, pct)
    let greatestPct = 0
    let area = 0
    let wrong = 0
    for (let piece = 1; piece < corners.length; piece++) {
      const width = corners.at(piece) - corners.at(piece - 1)
      if (width <= 0) continue
      const x0 = corners.at(piece - 1) + INSIDE * width
      const x1 = corners.at(piece) - INSIDE * width
      const isBefore = (x1 - asked.startAt) * way <= 0 && (x0 - asked.startAt) * way <= 0
      const isPast = (x0 - asked.fullAt) * way >= 0 && (x1 - asked.fullAt) * way >= 0
      const [a0, a1] = isBefore
        ? [leastPct, leastPct]
        : isPast
          ? [mostPct, mostPct]
          : [
              Math.min(mostPct, Math.max(leastPct, speedOn(asked, x0))),
              Math.min(mostPct, Math.max(leastPct, speedOn(asked, x1))),
            ]
      const d0 = speedOn(given, x0) - a0
      const d1 = speedOn(given, x1) - a1
      const [above, below] = [width * meanAbove(d0, d1), width * meanAbove(-d0, -d1)]
      greatestPct = Math.max(greatestPct, Math.abs(d0), Math.abs(d1))
      area += above + below
      if (care === 'air' || (care === 'pressure' && isPast)) wrong += below
      if (care === 'suction' || (care === 'pressure' && isBefore)) wrong += above
      if (wrong > worstWrong) return 'errs'
      if (area > worstOff && wrong > worstWrong - 2 * NEAR * (high - low)) return 'lies-off'
    }
    return { greatestPct, meanPct: area / (high - low), wrong: wrong / (high - low) }
  }
}

type Choice = { readonly startAt: number; readonly span: number }

/** More pairs than this are not tried: of a controller with very fine steps the bands nearest to the one asked. */
const MOST_PAIRS = 20000

/** So many in a row that lie farther off: the ones beyond lie farther still. */
const ENOUGH = 6

/** Where a function over a list has its least, when it falls to there and rises from there. Where two are equal the end is left that lies farther
 *  from `towards`. */
function leastIndex(values: readonly number[], of: (value: number) => number, towards: number): number {
  let [low, high] = [0, values.length - 1]
  while (high - low > 2) {
    const third = Math.floor((high - low) / 3)
    const [a, b] = [low + third, high - third]
    const difference = of(values[a]!) - of(values[b]!)
    const isLeft = difference === 0 ? towards - values[a]! < values[b]! - towards : difference < 0
    if (isLeft) high = b
    else low = a
  }
  return Math.floor((low + high) / 2)
}

const nearestTo = (values: readonly number[], wanted: number): number[] =>
  [...values].sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))

/** Start and span of a ramp, chosen together by trying every pair a controller has: of those that err least to the wrong side (mostly: not at
 *  all) the one that lies nearest to what was asked, and of equals the one that has moved least.
 *  @param ends what else the ramp comes out with, whatever its start and span
 *  @param starts every start it can have
 *  @param spans every span it can have, above 0 */
export function chooseRamp(
  asked: RampCurve,
  ends: Omit<RampCurve, 'startAt' | 'fullAt'>,
  starts: readonly number[],
  spans: readonly number[],
  range: Range,
  care: Care,
): Choice {
  const way = asked.fullAt > asked.startAt ? 1 : -1
  const askedSpan = Math.abs(asked.fullAt - asked.startAt)
  const compare = comparer(asked, range, care)
  const ascending = [...starts].sort((a, b) => a - b)
  const given = { ...ends, startAt: 0, fullAt: 0 }
  let best: { choice: Choice; measure: Measure; moved: number } | null = null
  const consider = (startAt: number, span: number): boolean => {
    given.startAt = startAt
    given.fullAt = startAt + way * span
    const measure = compare(given, best?.measure ?? null)
    if (measure === 'lies-off') return false
    if (measure === 'errs') return true
    const moved = Math.abs(startAt - asked.startAt) + Math.abs(span - askedSpan)
    const order = best
      ? by(measure.wrong, best.measure.wrong) || by(offOf(measure), offOf(best.measure)) || by(moved, best.moved)
      : -1
    if (order < 0) best = { choice: { startAt, span }, measure, moved }
    return true
  }
  const areaAt = (startAt: number, span: number): number => {
    given.startAt = startAt
    given.fullAt = startAt + way * span
    const measure = compare(given, null)
    return typeof measure === 'string' ? Infinity : measure.meanPct
  }
  for (const span of nearestTo(spans, askedSpan).slice(0, Math.max(1, Math.floor(MOST_PAIRS / starts.length)))) {
    // Moved along, a ramp comes nearer until it lies over the other, then goes farther off again: from there outwards, both ways.
    const middle = leastIndex(ascending, (startAt) => areaAt(startAt, span), asked.startAt)
    for (const outwards of [ascending.slice(0, middle + 1).reverse(), ascending.slice(middle + 1)]) {
      let farther = 0
      for (const startAt of outwards) {
        farther = consider(startAt, span) ? 0 : farther + 1
        if (farther === ENOUGH) break
      }
    }
  }
  return best!.choice
}

/** Whether a lies before b, after it, or too near to tell. */
const by = (a: number, b: number): number => (Math.abs(a - b) <= NEAR ? 0 : a - b)
