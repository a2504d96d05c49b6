import type { Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { IN_CHARGE_FLOOR, IN_CHARGE_RUN_ON } from '@/core/machine/state'

/** What is asked for in the end: what the rules ask for or the floor, and the run-on. When everything stops asking, the last running speed
 *  (or a set one) runs on for a time; a new ask cancels it. Between 0 and the floor there is nothing, whoever asks for it. */
export function compileAsked({ response, memory: plan }: PartContext): (memory: Float64Array, block: Columns) => void {
  const { runOn, floor, stages } = response
  // On a ladder the asks are of all fans together; the floor is the variable fan's own and comes in with the stages.
  const floorPct = stages ? 0 : floor.speedPct
  const figures = { floorPct, idlePct: floor.offAllowed ? 0 : floorPct }
  const lastPct = runOn ? plan.slot(0, 'timers') : -1
  const leftS = runOn ? plan.slot(0, 'timers') : -1
  const wasAsked = runOn ? plan.slot(0, 'timers') : -1

  function putFloorIn({ start, end, askedPct, inCharge }: Columns): void {
    const { idlePct } = figures
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

  if (!runOn)
    return (_memory, block) => {
      putFloorIn(block)
      if (figures.idlePct < floorPct) raiseToFloor(block)
    }
  const { holdS, speedPct } = runOn
  return (memory, block) => {
    const { start, end, dtS, askedPct, inCharge } = block
    const { idlePct } = figures
    let [last, left, was] = [memory[lastPct]!, memory[leftS]!, memory[wasAsked] === 1]
    for (let row = start; row < end; row++) {
      const isAsked = askedPct[row]! > 0
      if (!(askedPct[row]! > idlePct)) {
        askedPct[row] = idlePct
        inCharge[row] = IN_CHARGE_FLOOR
      }
      if (isAsked) {
        last = askedPct[row]!
        left = 0
      } else if (was) left = holdS
      else left = left > dtS[row]! ? left - dtS[row]! : 0
      was = isAsked
      const onPct = left > 0 ? (speedPct ?? last) : 0
      if (onPct > askedPct[row]!) {
        askedPct[row] = onPct
        inCharge[row] = IN_CHARGE_RUN_ON
      }
    }
    memory[lastPct] = last
    memory[leftS] = left
    memory[wasAsked] = was ? 1 : 0
    raiseToFloor(block)
  }
}
