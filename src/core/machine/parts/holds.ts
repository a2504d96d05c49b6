import { HAS_BEEN_HOT, HOT_NOW, type Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { runDown } from '@/core/rules/block'
import { isMeasured } from '@/core/rules/input'

/** What may hold the fan, weakest first; `heldBy` is a place in this list, 0 for none. */
export const HOLD_KINDS = ['none', 'test', 'lost-sensor', 'cool-down', 'overheat', 'safety-stop', 'isolated'] as const
export type HoldKind = (typeof HOLD_KINDS)[number]
const placeOf = (kind: HoldKind): number => HOLD_KINDS.indexOf(kind)
/** Nothing may turn: stopped for safety. The controller itself goes on. */
export const SAFETY_STOP = placeOf('safety-stop')
export const ISOLATED = placeOf('isolated')

/** Puts what it holds into `heldPct`, and itself into `heldBy` where that changes anything. */
type Run = (memory: Float64Array, block: Columns) => void
type Part = {
  readonly run: Run
  readonly settle?: (memory: Float64Array, inputs: Float64Array) => void
}

export type CompiledHolds = {
  /** The speed after every hold, and which had the last word. */
  readonly run: Run
  readonly settle: (memory: Float64Array, inputs: Float64Array) => void
}

function hold({ heldPct, heldBy }: Columns, row: number, pct: number, by: number): void {
  if (pct === heldPct[row]) return
  heldPct[row] = pct
  heldBy[row] = by
}

function testPart({ response: { holds }, inputIndex }: PartContext): Part[] {
  if (!holds?.test) return []
  const at = inputIndex(holds.test.input)
  const { speedPct } = holds.test
  const by = placeOf('test')
  return [
    {
      run(_memory, block) {
        const xs = block.inputs[at]!
        for (let row = block.start; row < block.end; row++) if (xs[row]! >= 0.5) hold(block, row, speedPct, by)
      },
    },
  ]
}

/** Of several that are lost the highest of their speeds counts. */
function lostPart({ response: { inputs } }: PartContext): Part[] {
  const lost = inputs.flatMap((input, place) =>
    isMeasured(input) && input.lostPct !== undefined ? [{ place, pct: input.lostPct }] : [],
  )
  if (lost.length === 0) return []
  const by = placeOf('lost-sensor')
  return [
    {
      run(_memory, block) {
        for (let row = block.start; row < block.end; row++) {
          let pct = -1
          for (let index = 0; index < lost.length; index++)
            if (Number.isNaN(block.inputs[lost[index]!.place]![row]!) && lost[index]!.pct > pct) pct = lost[index]!.pct
          if (pct >= 0) hold(block, row, pct, by)
        }
      },
    },
  ]
}

function coolDownPart({ response: { coolDown }, memory: plan, inputIndex }: PartContext): Part[] {
  if (!coolDown) return []
  const at = inputIndex(coolDown.input)
  const { holdS, speedPct } = coolDown
  const leftS = plan.slot(0, 'timers')
  const gaveHeat = plan.slot(0, 'timers')
  const by = placeOf('cool-down')
  return [
    {
      run(memory, block) {
        const { dtS, heldPct } = block
        const xs = block.inputs[at]!
        let [left, gave] = [memory[leftS]!, memory[gaveHeat] === 1]
        for (let row = block.start; row < block.end; row++) {
          const givesHeat = xs[row]! >= 0.5
          left = givesHeat ? 0 : gave ? holdS : runDown(left, dtS[row]!)
          gave = givesHeat
          if ((givesHeat || left > 0) && heldPct[row]! < speedPct) hold(block, row, speedPct, by)
        }
        memory[leftS] = left
        memory[gaveHeat] = gave ? 1 : 0
      },
      settle(memory) {
        memory[leftS] = 0
        memory[gaveHeat] = 0
      },
    },
  ]
}

function overheatPart({ response: { holds }, memory: plan, inputIndex }: PartContext): Part[] {
  if (!holds?.overheat) return []
  const { onAt, offBelow, input } = holds.overheat
  const at = inputIndex(input)
  const isHot = plan.slot(0, 'latches')
  const wasHot = plan.slot(0, 'latches')
  const by = placeOf('overheat')
  return [
    {
      run(memory, block) {
        const xs = block.inputs[at]!
        let [hot, was] = [memory[isHot] === 1, memory[wasHot] === 1]
        for (let row = block.start; row < block.end; row++) {
          if (xs[row]! >= onAt) hot = was = true
          else if (xs[row]! < offBelow) hot = false
          if (hot) hold(block, row, 100, by)
          block.heat[row] = (hot ? HOT_NOW : 0) | (was ? HAS_BEEN_HOT : 0)
        }
        memory[isHot] = hot ? 1 : 0
        memory[wasHot] = was ? 1 : 0
      },
      settle(memory, now) {
        memory[isHot] = memory[wasHot] = now[at]! >= onAt ? 1 : 0
      },
    },
  ]
}

function stopPart({ response: { holds }, inputIndex }: PartContext): Part[] {
  if (holds?.safetyStop === undefined) return []
  const at = inputIndex(holds.safetyStop)
  return [
    {
      run(_memory, { start, end, inputs, heldPct, heldBy }) {
        const xs = inputs[at]!
        for (let row = start; row < end; row++)
          if (xs[row]! >= 0.5) {
            heldPct[row] = 0
            heldBy[row] = SAFETY_STOP
          }
      },
    },
  ]
}

/** What must be, whatever was asked, applied weakest first so that the strongest has the last word. Null where there is none.
 *  Source: the order is that of docs/control-laws.md. */
export function compileHolds(context: PartContext): CompiledHolds | null {
  const parts = [testPart, lostPart, coolDownPart, overheatPart, stopPart].flatMap((part) => part(context))
  if (parts.length === 0) return null
  return {
    run(memory, block) {
      const { start, end, limitedPct, heldPct } = block
      block.heldBy.fill(0, start, end)
      for (let row = start; row < end; row++) heldPct[row] = limitedPct[row]!
      for (const part of parts) part.run(memory, block)
    },
    settle(memory, now) {
      for (const part of parts) part.settle?.(memory, now)
    },
  }
}
