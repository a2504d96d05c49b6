import type { Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { countsPoint, isUpward } from '@/core/machine/past'
import type { Reduction } from '@/core/response/schema'
import { exact } from '@/core/rules/exact'

/** What a reduction leaves of a speed: points off it, or a share of the present value off it. */
export const reduced = ({ byPct, how }: Pick<Reduction, 'byPct' | 'how'>, pct: number): number =>
  Math.max(0, how === 'points' ? pct - byPct : pct * (1 - byPct / 100))

/** Ceiling and conditional reductions. A reduction never goes below the floor; 0 stays 0. */
export function compileLimits({ response, inputIndex }: PartContext): (block: Columns) => void {
  const { ceiling, floor, stages, reductions = [] } = response
  const figures = { ceilingPct: ceiling.speedPct, floorPct: stages ? 0 : floor.speedPct }
  const conditions = reductions.map((reduction) => ({
    reduction,
    place: inputIndex(reduction.input),
    sign: isUpward(reduction.when) ? 1 : -1,
    edge: exact(reduction.at) * (isUpward(reduction.when) ? 1 : -1),
    counts: countsPoint(reduction.when),
  }))
  return ({ start, end, inputs, askedPct, limitedPct }) => {
    const { ceilingPct, floorPct } = figures
    for (let row = start; row < end; row++) limitedPct[row] = askedPct[row]! > ceilingPct ? ceilingPct : askedPct[row]!
    for (let index = 0; index < conditions.length; index++) {
      const { reduction, place, sign, edge, counts } = conditions[index]!
      const xs = inputs[place]!
      for (let row = start; row < end; row++) {
        const past = sign * xs[row]!
        if (!(past > edge || (counts && past === edge))) continue
        const pct = reduced(reduction, limitedPct[row]!)
        limitedPct[row] = pct < floorPct && askedPct[row]! > 0 ? floorPct : pct
      }
    }
  }
}
