import type { Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { NIGHT_BIT } from '@/core/machine/parts/modes'
import { IN_CHARGE_FLOOR, IN_CHARGE_RUN_ON } from '@/core/machine/state'
import { runDown } from '@/core/rules/block'

type Pass = (memory: Float64Array, block: Columns) => void
export type CompiledAsked = {
  readonly run: Pass
  /** What is left of the run-on, s. */
  readonly runOnLeftS: (memory: Float64Array) => number
}
type Floor = { readonly floorPct: number; readonly idlePct: number }

/** When no rule asks any more, the last running speed (or a set one) runs on for a time; a new ask cancels it. Null where nothing runs on. */
function compileFinalRunOn(
  { response: { finalRunOn }, memory: plan }: PartContext,
  { idlePct }: Floor,
): CompiledAsked | null {
  if (!finalRunOn) return null
  const { holdS, speedPct } = finalRunOn
  const lastAt = plan.slot(0, 'timers')
  const leftAt = plan.slot(0, 'timers')
  const wasAskedAt = plan.slot(0, 'timers')
  const run: Pass = (memory, { start, end, dtS, askedPct, inCharge }) => {
    let [last, left, was] = [memory[lastAt]!, memory[leftAt]!, memory[wasAskedAt] === 1]
    for (let row = start; row < end; row++) {
      const isAsked = askedPct[row]! > 0
      if (isAsked) {
        last = Math.max(askedPct[row]!, idlePct)
        left = 0
      } else left = was ? holdS : runDown(left, dtS[row]!)
      was = isAsked
      if (left > 0) {
        askedPct[row] = speedPct ?? last
        inCharge[row] = IN_CHARGE_RUN_ON
      }
    }
    memory[lastAt] = last
    memory[leftAt] = left
    memory[wasAskedAt] = was ? 1 : 0
  }
  return { run, runOnLeftS: (memory) => memory[leftAt]! }
}

/** What is asked for in the end: what the rules ask for, else the run-on, else the floor. Between 0 and the floor there is nothing, whoever
 *  asks for it. */
export function compileAsked(context: PartContext): CompiledAsked {
  const { floor, stages } = context.response
  // On a ladder the asks are of all fans together; the floor is the variable fan's own and comes in with the stages.
  const floorPct = stages ? 0 : floor.speedPct
  const figures: Floor = { floorPct, idlePct: floor.offAllowed ? 0 : floorPct }
  const finalRunOn = compileFinalRunOn(context, figures)

  const nightPct = floor.nightPct ?? 0
  function putFloorIn({ start, end, askedPct, inCharge, modes }: Columns): void {
    const { idlePct } = figures
    if (nightPct > idlePct)
      for (let row = start; row < end; row++)
        if (modes[row] === NIGHT_BIT && !(askedPct[row]! > nightPct)) {
          askedPct[row] = nightPct
          inCharge[row] = IN_CHARGE_FLOOR
        }
    for (let row = start; row < end; row++)
      if (!(askedPct[row]! > idlePct)) {
        askedPct[row] = idlePct
        inCharge[row] = IN_CHARGE_FLOOR
      }
  }

  function raiseToFloor({ start, end, askedPct }: Columns): void {
    const { floorPct: lowest } = figures
    for (let row = start; row < end; row++) if (askedPct[row]! > 0 && askedPct[row]! < lowest) askedPct[row] = lowest
  }

  return {
    run(memory, block) {
      finalRunOn?.run(memory, block)
      putFloorIn(block)
      if (figures.idlePct < floorPct) raiseToFloor(block)
    },
    runOnLeftS: (memory) => finalRunOn?.runOnLeftS(memory) ?? 0,
  }
}
