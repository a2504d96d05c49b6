import type { PartContext } from '@/core/machine/parts/context'
import { isMeasured } from '@/core/rules/input'

/** What may hold the fan, weakest first; `figures[HELD_BY]` is a place in this list, 0 for none. */
export const HOLD_KINDS = ['none', 'test', 'lost-sensor', 'cool-down', 'overheat', 'safety-stop', 'isolated'] as const
export type HoldKind = (typeof HOLD_KINDS)[number]
const placeOf = (kind: HoldKind): number => HOLD_KINDS.indexOf(kind)
const SAFETY_STOP = placeOf('safety-stop')
export const ISOLATED = placeOf('isolated')

type Step = (memory: Float64Array, inputs: Float64Array, pct: number, dtS: number) => number
type Part = {
  readonly kind: HoldKind
  readonly step: Step
  readonly settle: (memory: Float64Array, inputs: Float64Array) => void
}

export type CompiledHolds = {
  /** The speed after every hold; writes which had the last word at `figures[at]`. */
  readonly step: (
    memory: Float64Array,
    inputs: Float64Array,
    pct: number,
    dtS: number,
    figures: Float64Array,
    at: number,
  ) => number
  readonly settle: (memory: Float64Array, inputs: Float64Array) => void
  readonly isOverheated: (memory: Float64Array) => boolean
  /** It has been too hot at some time since power came: the lamp. */
  readonly hasOverheated: (memory: Float64Array) => boolean
  /** Nothing may turn: stopped for safety. The controller itself goes on. */
  readonly isStopped: (inputs: Float64Array) => boolean
}

const keepsNothing = () => {}

function testPart({ response: { holds }, inputIndex }: PartContext): Part[] {
  if (!holds?.test) return []
  const at = inputIndex(holds.test.input)
  const { speedPct } = holds.test
  return [{ kind: 'test', step: (_memory, now, pct) => (now[at]! >= 0.5 ? speedPct : pct), settle: keepsNothing }]
}

function lostPart({ response: { inputs } }: PartContext): Part[] {
  const lost = inputs.flatMap((input, place) =>
    isMeasured(input) && input.lostPct !== undefined ? [{ place, pct: input.lostPct }] : [],
  )
  if (lost.length === 0) return []
  const step: Step = (_memory, now, pct) => {
    let held = -1
    for (let index = 0; index < lost.length; index++)
      if (Number.isNaN(now[lost[index]!.place]!) && lost[index]!.pct > held) held = lost[index]!.pct
    return held < 0 ? pct : held
  }
  return [{ kind: 'lost-sensor', step, settle: keepsNothing }]
}

function coolDownPart({ response: { coolDown }, memory: plan, inputIndex }: PartContext): Part[] {
  if (!coolDown) return []
  const at = inputIndex(coolDown.input)
  const leftS = plan.slot(0, 'timers')
  const gaveHeat = plan.slot(0, 'timers')
  return [
    {
      kind: 'cool-down',
      step(memory, now, pct, dtS) {
        const givesHeat = now[at]! >= 0.5
        memory[leftS] = givesHeat ? 0 : memory[gaveHeat] === 1 ? coolDown.holdS : Math.max(0, memory[leftS]! - dtS)
        memory[gaveHeat] = givesHeat ? 1 : 0
        return (givesHeat || memory[leftS] > 0) && pct < coolDown.speedPct ? coolDown.speedPct : pct
      },
      settle(memory) {
        memory[leftS] = 0
        memory[gaveHeat] = 0
      },
    },
  ]
}

/** What must be, whatever was asked, applied weakest first so that the strongest has the last word. Null where there is none.
 *  Source: the order is trade.md section 3. */
export function compileHolds(context: PartContext): CompiledHolds | null {
  const { response, memory: plan, inputIndex } = context
  const { holds } = response
  const parts = [...testPart(context), ...lostPart(context), ...coolDownPart(context)]
  const overheat = holds?.overheat
  const isHot = overheat ? plan.slot(0, 'latches') : -1
  const wasHot = overheat ? plan.slot(0, 'latches') : -1
  if (overheat) {
    const at = inputIndex(overheat.input)
    parts.push({
      kind: 'overheat',
      step(memory, now, pct) {
        const x = now[at]!
        if (x >= overheat.onAt) memory[isHot] = memory[wasHot] = 1
        else if (x < overheat.offBelow) memory[isHot] = 0
        return memory[isHot] === 1 ? 100 : pct
      },
      settle(memory, now) {
        memory[isHot] = memory[wasHot] = now[at]! >= overheat.onAt ? 1 : 0
      },
    })
  }
  const stopAt = holds?.safetyStop === undefined ? -1 : inputIndex(holds.safetyStop)
  const isStopped = (now: Float64Array): boolean => stopAt >= 0 && now[stopAt]! >= 0.5
  if (parts.length === 0 && stopAt < 0) return null
  return {
    step(memory, now, pct, dtS, figures, at) {
      let held = pct
      let heldBy = 0
      for (let index = 0; index < parts.length; index++) {
        const { kind, step } = parts[index]!
        const after = step(memory, now, held, dtS)
        if (after !== held) heldBy = placeOf(kind)
        held = after
      }
      const stops = isStopped(now)
      figures[at] = stops ? SAFETY_STOP : heldBy
      return stops ? 0 : held
    },
    settle(memory, now) {
      for (const part of parts) part.settle(memory, now)
    },
    isOverheated: (memory) => overheat !== undefined && memory[isHot] === 1,
    hasOverheated: (memory) => overheat !== undefined && memory[wasHot] === 1,
    isStopped,
  }
}
