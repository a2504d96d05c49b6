import type { Columns } from '@/core/machine/columns'
import { compileCondition } from '@/core/machine/parts/conditions'
import type { PartContext } from '@/core/machine/parts/context'
import type { Condition, OtherOutput } from '@/core/response/schema'
import { runDown } from '@/core/rules/block'

export type CompiledOutput = {
  readonly output: OtherOutput
  /** Fills in whether it is on in each row. */
  readonly run: (memory: Float64Array, block: Columns, isOn: Uint8Array) => void
  /** Forgets what it was, as if its delay were over. */
  readonly settle: (memory: Float64Array) => void
  readonly isOn: (memory: Float64Array) => boolean
  /** How long until it comes on (its reason stands) or goes off (held on); null where no time runs. */
  readonly leftS: (memory: Float64Array) => number | null
}

/** Bypass damper, shutter, alarm contact, heater permission, lamp. */
export function compileOtherOutputs(context: PartContext, fanIds: readonly string[]): CompiledOutput[] {
  return (context.response.otherOutputs ?? []).map((output) => {
    const remembers: number[] = []
    const compiled = (conditions: readonly Condition[]) =>
      conditions.map((condition) => compileCondition(condition, context, fanIds, remembers))
    const onWhen = compiled(output.onWhen)
    const notWhile = compiled(output.notWhile)
    const isOnAt = context.memory.slot(0, 'latches')
    // Negative while no reason stands; the moment a reason is first seen counts as 0 s.
    const stoodAt = context.memory.slot(-1, 'timers')
    const { delayS, holdS = 0 } = output
    const leftAt = holdS > 0 ? context.memory.slot(0, 'timers') : -1
    const wasAt = holdS > 0 ? context.memory.slot(0, 'timers') : -1
    return {
      output,
      run(memory, block, isOn) {
        const { start, end, dtS, reasons, bars } = block
        reasons.fill(0, start, end)
        bars.fill(0, start, end)
        for (const mark of onWhen) mark(memory, block, reasons)
        for (const mark of notWhile) mark(memory, block, bars)
        let stoodS = memory[stoodAt]!
        let [left, was] = holdS > 0 ? [memory[leftAt]!, memory[wasAt] === 1] : [0, false]
        for (let row = start; row < end; row++) {
          stoodS = reasons[row] === 0 ? -1 : stoodS < 0 ? 0 : stoodS + dtS[row]!
          const hasReason = reasons[row] === 1 && stoodS >= delayS
          left = hasReason ? 0 : was ? holdS : runDown(left, dtS[row]!)
          was = hasReason
          isOn[row] = (hasReason || left > 0) && bars[row] === 0 ? 1 : 0
        }
        memory[stoodAt] = stoodS
        if (holdS > 0) {
          memory[leftAt] = left
          memory[wasAt] = was ? 1 : 0
        }
        memory[isOnAt] = isOn[end - 1]!
      },
      settle(memory) {
        for (const slot of remembers) memory[slot] = 0
        memory[stoodAt] = delayS
        if (holdS > 0) memory[leftAt] = memory[wasAt] = 0
      },
      isOn: (memory) => memory[isOnAt] === 1,
      leftS(memory) {
        if (holdS > 0 && memory[leftAt]! > 0) return memory[leftAt]!
        const stoodS = memory[stoodAt]!
        return stoodS >= 0 && stoodS < delayS ? delayS - stoodS : null
      },
    }
  })
}
