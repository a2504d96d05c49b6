import { givableAbove, givableBelow, givenFor, isInRestBand, leadBounds, type Bounds } from '@/core/machine/givable'
import type { PartContext } from '@/core/machine/parts/context'
import { stepAbove, stepBelow, toStep } from '@/core/machine/steps'

export type CompiledLead = {
  /** Where the output goes when this is wanted: on a step, out of rest bands, inside floor and ceiling. */
  readonly aim: (memory: Float64Array, wantedPct: number) => number
  /** What it gives on the way there: no faster than the rate, a start kick laid over it. */
  readonly give: (memory: Float64Array, lastPct: number, aimPct: number, dtS: number) => number
  readonly kickLeftS: (memory: Float64Array) => number
  /** There already: rate and start kick are over. */
  readonly settle: (memory: Float64Array, aimPct: number) => void
  /** It stands, and starts from rest. */
  readonly stop: (memory: Float64Array) => void
}

/** How the lead's output carries out what is wanted of it. Where steps, rest bands, floor, ceiling, rate and start collide, the table in
 *  docs/control-laws.md decides. */
export function compileLead({ response, memory: plan }: PartContext): CompiledLead {
  const bounds = leadBounds(response)
  const { steps, bands, lowPct } = bounds
  // A hold may want more than the ceiling, for safety.
  const held: Bounds = { ...bounds, highPct: 100 }
  const lowestPct = givableAbove(bounds, lowPct)
  const isFree = bands.length === 0 && steps.stepPct === 0 && !steps.levelsPct
  const cameFrom = plan.slot(0)
  const position = plan.slot(0)
  const kickLeft = plan.slot(0)
  const { rate, startKick } = response
  const kickS = startKick?.holdS ?? 0
  const kickPct = startKick ? Math.min(100, stepAbove(steps, startKick.speedPct)) : 0

  /** Where the speed has come on its way, never waiting in a rest band or below the lowest running speed. */
  function moved(fromPct: number, aimPct: number, dtS: number): number {
    if (!rate || aimPct === fromPct) return aimPct
    const isRising = aimPct > fromPct
    const at = isRising
      ? Math.min(aimPct, fromPct + rate.upPctPerS * dtS)
      : Math.max(aimPct, fromPct - rate.downPctPerS * dtS)
    if (at < lowestPct) return isRising ? Math.min(aimPct, lowestPct) : aimPct
    const band = bands.find((candidate) => isInRestBand(candidate, at))
    return band ? (isRising ? band.toPct : band.fromPct) : at
  }

  /** The step it stands at on its way: one it has reached, never one ahead of it. */
  function standing(memory: Float64Array, lastPct: number, aimPct: number): number {
    const at = memory[position]!
    if (isFree || at === aimPct) return at
    const isRising = aimPct > lastPct
    const reached = isRising ? stepBelow(steps, at) : stepAbove(steps, at)
    const isOpen = reached >= lowestPct && !bands.some((band) => isInRestBand(band, reached))
    return isOpen ? reached : isRising ? givableAbove(held, reached) : givableBelow(held, reached)
  }

  return {
    aim(memory, wantedPct) {
      const aimed = isFree
        ? wantedPct > 0
          ? Math.max(wantedPct, lowPct)
          : 0
        : givenFor(wantedPct > bounds.highPct ? held : bounds, wantedPct, memory[cameFrom]!)
      if (bands.length > 0) {
        const stepped = toStep(steps, wantedPct)
        if (!bands.some((band) => isInRestBand(band, stepped))) memory[cameFrom] = stepped
      }
      return aimed
    },
    give(memory, lastPct, aimPct, dtS) {
      const fromPct = memory[position]!
      memory[position] = moved(fromPct, aimPct, dtS)
      const given = rate ? standing(memory, fromPct, aimPct) : aimPct
      if (kickS === 0) return given
      if (given === 0) memory[kickLeft] = 0
      else if (lastPct === 0) memory[kickLeft] = kickS
      else if (memory[kickLeft]! > 0) memory[kickLeft]! -= dtS
      return memory[kickLeft]! > 0 && given < kickPct ? kickPct : given
    },
    kickLeftS: (memory) => memory[kickLeft]!,
    settle(memory, aimPct) {
      memory[position] = aimPct
      memory[kickLeft] = 0
    },
    stop(memory) {
      memory[position] = memory[kickLeft] = memory[cameFrom] = 0
    },
  }
}
