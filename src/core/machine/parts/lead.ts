import type { Columns } from '@/core/machine/columns'
import { givableAbove, givableBelow, givenFor, isInSkipBand, leadBounds, type Bounds } from '@/core/machine/givable'
import type { PartContext } from '@/core/machine/parts/context'
import { STOPS } from '@/core/machine/parts/overrides'
import { stepAbove, stepBelow, toStep } from '@/core/machine/steps'
import type { Response } from '@/core/response/schema'

export type CompiledLead = {
  /** From what is wanted of the lead in each row to what it gives, first in the row before `lastPct`. Settled: it is there already, rate
   *  and start kick are over. A safety stop has it stand at once, and start from rest. */
  readonly run: (memory: Float64Array, block: Columns, lastPct: number, isSettled: boolean) => void
  readonly kickLeftS: (memory: Float64Array) => number
  /** Whether what it gives is not always what it aims at. */
  readonly lags: boolean
}

/** Where a lead with a rate is on its way. */
function compileWay(bounds: Bounds, held: Bounds, rate: NonNullable<Response['rate']>, isFree: boolean) {
  const { steps, bands, lowPct } = bounds
  const lowestPct = givableAbove(bounds, lowPct)
  return {
    /** Where the speed has come on its way, never waiting in a skip band or below the lowest running speed. */
    moved: (fromPct: number, aimPct: number, dtS: number): number => {
      if (aimPct === fromPct) return aimPct
      const isRising = aimPct > fromPct
      const at = isRising
        ? Math.min(aimPct, fromPct + rate.upPctPerS * dtS)
        : Math.max(aimPct, fromPct - rate.downPctPerS * dtS)
      if (at < lowestPct) return isRising ? Math.min(aimPct, lowestPct) : aimPct
      const band = bands.find((candidate) => isInSkipBand(candidate, at))
      return band ? (isRising ? band.toPct : band.fromPct) : at
    },

    /** The step it stands at on its way: one it has reached, never one ahead of it. */
    standing: (at: number, lastPct: number, aimPct: number): number => {
      if (isFree || at === aimPct) return at
      const isRising = aimPct > lastPct
      const reached = isRising ? stepBelow(steps, at) : stepAbove(steps, at)
      const isOpen = reached >= lowestPct && !bands.some((band) => isInSkipBand(band, reached))
      return isOpen ? reached : isRising ? givableAbove(held, reached) : givableBelow(held, reached)
    },
  }
}

/** How the lead's output carries out what is wanted of it. Where steps, skip bands, floor, ceiling, rate and start collide, the table in
 *  docs/control-laws.md decides. */
export function compileLead({ response, memory: plan }: PartContext): CompiledLead {
  const bounds = leadBounds(response)
  const { steps, bands, highPct } = bounds
  // A hold may want more than the ceiling, for safety.
  const held: Bounds = { ...bounds, highPct: 100 }
  const isFree = bands.length === 0 && steps.stepPct === 0 && !steps.levelsPct
  const cameFromAt = plan.slot(0)
  const positionAt = plan.slot(0)
  const kickLeft = plan.slot(0)
  const { rate, startKick } = response
  const way = rate && compileWay(bounds, held, rate, isFree)
  const kickS = startKick?.holdS ?? 0
  const lags = rate !== undefined || kickS > 0
  const kickPct = startKick ? Math.min(100, stepAbove(steps, startKick.speedPct)) : 0

  /** Where the output goes when this is wanted: on a step, out of skip bands, inside floor and ceiling. */
  function aim(memory: Float64Array, { start, end, leadPct, aimPct }: Columns): void {
    if (isFree) {
      const { lowPct: lowest } = bounds
      for (let row = start; row < end; row++)
        aimPct[row] = leadPct[row]! > 0 ? (leadPct[row]! < lowest ? lowest : leadPct[row]!) : 0
      return
    }
    let cameFrom = memory[cameFromAt]!
    // Much of the time the same is wanted again.
    let [last, lastFrom, lastAim] = [NaN, NaN, NaN]
    for (let row = start; row < end; row++) {
      const wanted = leadPct[row]!
      if (wanted !== last || cameFrom !== lastFrom) {
        last = wanted
        lastFrom = cameFrom
        lastAim = givenFor(wanted > highPct ? held : bounds, wanted, cameFrom)
        if (bands.length > 0) {
          const stepped = toStep(steps, wanted)
          if (!bands.some((band) => isInSkipBand(band, stepped))) cameFrom = stepped
        }
      }
      aimPct[row] = lastAim
    }
    memory[cameFromAt] = cameFrom
  }

  /** No faster than the rate. */
  function move(
    { moved, standing }: NonNullable<typeof way>,
    memory: Float64Array,
    { start, end, dtS, aimPct, heldBy, fansPct }: Columns,
  ): void {
    const given = fansPct[0]!
    let position = memory[positionAt]!
    for (let row = start; row < end; row++) {
      if (heldBy[row]! >= STOPS) {
        given[row] = position = 0
        continue
      }
      const from = position
      position = moved(from, aimPct[row]!, dtS[row]!)
      given[row] = standing(position, from, aimPct[row]!)
    }
    memory[positionAt] = position
  }

  /** The start kick laid over what is given. */
  function kick(memory: Float64Array, { start, end, dtS, fansPct }: Columns, lastPct: number): void {
    const given = fansPct[0]!
    let [before, left] = [lastPct, memory[kickLeft]!]
    for (let row = start; row < end; row++) {
      if (given[row] === 0) left = 0
      else if (before === 0) left = kickS
      else if (left > 0) left -= dtS[row]!
      if (left > 0 && given[row]! < kickPct) given[row] = kickPct
      before = given[row]!
    }
    memory[kickLeft] = left
  }

  return {
    run(memory, block, lastPct, isSettled) {
      const { start, end, aimPct, fansPct } = block
      aim(memory, block)
      if (way && !isSettled) move(way, memory, block)
      else {
        const given = fansPct[0]!
        if (lags) for (let row = start; row < end; row++) given[row] = aimPct[row]!
        memory[positionAt] = aimPct[end - 1]!
      }
      if (isSettled) memory[kickLeft] = 0
      else if (kickS > 0) kick(memory, block, lastPct)
    },
    kickLeftS: (memory) => memory[kickLeft]!,
    lags,
  }
}
