import type { Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { isBeyond, turnedPoint } from '@/core/machine/past'
import { NIGHT_BIT } from '@/core/machine/parts/modes'
import type { Reduction } from '@/core/response/schema'

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
    point: turnedPoint(reduction.when, reduction.at),
  }))
  const nightPct = ceiling.nightPct ?? ceiling.speedPct
  const hasNight = nightPct < ceiling.speedPct
  return ({ start, end, inputs, askedPct, limitedPct, modes }) => {
    const { ceilingPct, floorPct } = figures
    for (let row = start; row < end; row++) limitedPct[row] = askedPct[row]! > ceilingPct ? ceilingPct : askedPct[row]!
    if (hasNight)
      for (let row = start; row < end; row++)
        if (modes[row] === NIGHT_BIT && limitedPct[row]! > nightPct) limitedPct[row] = nightPct
    for (let index = 0; index < conditions.length; index++) {
      const { reduction, place, point } = conditions[index]!
      const xs = inputs[place]!
      for (let row = start; row < end; row++) {
        if (!isBeyond(point, xs[row]!)) continue
        const pct = reduced(reduction, limitedPct[row]!)
        limitedPct[row] = pct < floorPct && askedPct[row]! > 0 ? floorPct : pct
      }
    }
  }
}
