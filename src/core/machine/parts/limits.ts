import type { PartContext } from '@/core/machine/parts/context'
import { isPast } from '@/core/machine/past'
import type { Reduction } from '@/core/response/schema'
import { exact } from '@/core/rules/exact'

/** What a reduction leaves of a speed: points off it, or a share of the present value off it. */
export const reduced = ({ byPct, how }: Pick<Reduction, 'byPct' | 'how'>, pct: number): number =>
  Math.max(0, how === 'points' ? pct - byPct : pct * (1 - byPct / 100))

/** Ceiling and conditional reductions. A reduction never goes below the floor; 0 stays 0. */
export function compileLimits({
  response,
  inputIndex,
}: PartContext): (inputs: Float64Array, askedPct: number) => number {
  const { ceiling, floor, stages, reductions = [] } = response
  const ceilingPct = ceiling.speedPct
  const floorPct = stages ? 0 : floor.speedPct
  const conditions = reductions.map((reduction) => ({
    reduction,
    place: inputIndex(reduction.input),
    at: exact(reduction.at),
  }))
  if (conditions.length === 0) return (_inputs, asked) => (asked > ceilingPct ? ceilingPct : asked)
  return (inputs, asked) => {
    let pct = asked > ceilingPct ? ceilingPct : asked
    for (let index = 0; index < conditions.length; index++) {
      const { reduction, place, at } = conditions[index]!
      if (isPast(reduction.when, inputs[place]!, at)) pct = reduced(reduction, pct)
    }
    return asked > 0 && pct < floorPct ? floorPct : pct
  }
}
