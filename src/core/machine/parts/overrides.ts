import { HAS_BEEN_HOT, HOT_NOW, type Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { runDown } from '@/core/rules/block'
import { isMeasured } from '@/core/rules/input'

/** What may hold the fan, weakest first; `heldBy` is a place in this list, 0 for none. */
export const OVERRIDE_KINDS = [
  'none',
  'test',
  'lost-sensor',
  'heater-purge',
  'overheat',
  'output-stop',
  'power-return',
  'safety-stop',
  'isolated',
] as const
export type OverrideKind = (typeof OVERRIDE_KINDS)[number]
const placeOf = (kind: OverrideKind): number => OVERRIDE_KINDS.indexOf(kind)
/** From this one on nothing may turn: an output stops the fans, they wait after power came, or are stopped for safety. The controller itself
 *  goes on. */
export const STOPS = placeOf('output-stop')
const SAFETY_STOP = placeOf('safety-stop')
export const ISOLATED = placeOf('isolated')

/** Puts what it holds into `heldPct`, and itself into `heldBy` where that changes anything. */
type Run = (memory: Float64Array, block: Columns) => void
type Part = {
  readonly run: Run
  readonly settle?: (memory: Float64Array, inputs: Float64Array) => void
  /** The time it still holds, s, where it holds for a time. */
  readonly leftS?: { readonly by: OverrideKind; readonly of: (memory: Float64Array) => number }
}

export type CompiledHolds = {
  /** The speed after every hold, and which had the last word. */
  readonly run: Run
  readonly settle: (memory: Float64Array, inputs: Float64Array) => void
  /** How long a hold still lasts by itself, s; 0 where no time runs. */
  readonly leftS: (by: OverrideKind, memory: Float64Array) => number
}

function hold({ heldPct, heldBy }: Columns, row: number, pct: number, by: number): void {
  if (pct === heldPct[row]) return
  heldPct[row] = pct
  heldBy[row] = by
}

function testPart({ response: { overrides }, inputIndex }: PartContext): Part[] {
  if (!overrides?.test) return []
  const at = inputIndex(overrides.test.input)
  const { speedPct } = overrides.test
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

function heaterPurgePart({ response: { heaterPurge }, memory: plan, inputIndex }: PartContext): Part[] {
  if (!heaterPurge) return []
  const at = inputIndex(heaterPurge.input)
  const { holdS, speedPct } = heaterPurge
  const leftS = plan.slot(0, 'timers')
  const gaveHeat = plan.slot(0, 'timers')
  const by = placeOf('heater-purge')
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
      leftS: { by: 'heater-purge', of: (memory) => memory[leftS]! },
    },
  ]
}

function overheatPart({ response: { overrides }, memory: plan, inputIndex }: PartContext): Part[] {
  if (!overrides?.overheat) return []
  const { onAt, offBelow, input } = overrides.overheat
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

/** Nothing turns in a row, whatever was asked. */
function stop({ heldPct, heldBy }: Columns, row: number, by: number): void {
  heldPct[row] = 0
  heldBy[row] = by
}

function outputStopPart({ response: { otherOutputs = [] } }: PartContext): Part[] {
  return otherOutputs.flatMap(({ stopsFans }, index) =>
    stopsFans
      ? [
          {
            run(_memory, block) {
              const isOn = block.outputs[index]!
              for (let row = block.start; row < block.end; row++) if (isOn[row] === 1) stop(block, row, STOPS)
            },
          },
        ]
      : [],
  )
}

/** Everything stands for a time from the first moment with power on. */
function powerReturnPart({ response: { powerReturn }, memory: plan }: PartContext): Part[] {
  if (!powerReturn) return []
  const leftAt = plan.slot(powerReturn.waitS)
  const by = placeOf('power-return')
  return [
    {
      run(memory, block) {
        let left = memory[leftAt]!
        for (let row = block.start; row < block.end; row++) {
          left = runDown(left, block.dtS[row]!)
          if (left > 0) stop(block, row, by)
        }
        memory[leftAt] = left
      },
      settle(memory) {
        memory[leftAt] = 0
      },
      leftS: { by: 'power-return', of: (memory) => memory[leftAt]! },
    },
  ]
}

function stopPart({ response: { overrides }, inputIndex }: PartContext): Part[] {
  if (overrides?.safetyStop === undefined) return []
  const at = inputIndex(overrides.safetyStop)
  return [
    {
      run(_memory, block) {
        const xs = block.inputs[at]!
        for (let row = block.start; row < block.end; row++) if (xs[row]! >= 0.5) stop(block, row, SAFETY_STOP)
      },
    },
  ]
}

/** What must be, whatever was asked, applied weakest first so that the strongest has the last word. Null where there is none.
 *  Source: the order is that of docs/control-laws.md. */
export function compileOverrides(context: PartContext): CompiledHolds | null {
  const parts = [testPart, lostPart, heaterPurgePart, overheatPart, outputStopPart, powerReturnPart, stopPart].flatMap(
    (part) => part(context),
  )
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
    leftS: (by, memory) => parts.find(({ leftS }) => leftS?.by === by)?.leftS?.of(memory) ?? 0,
  }
}
