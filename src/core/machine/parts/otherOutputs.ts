import type { Columns } from '@/core/machine/columns'
import { compileCondition } from '@/core/machine/parts/conditions'
import type { PartContext } from '@/core/machine/parts/context'
import type { Condition, OtherOutput } from '@/core/response/schema'

export type CompiledOutput = {
  readonly output: OtherOutput
  /** Fills in whether it is on in each row. */
  readonly run: (memory: Float64Array, block: Columns, isOn: Uint8Array) => void
  /** Forgets what it was, as if its delay were over. */
  readonly settle: (memory: Float64Array) => void
  readonly isOn: (memory: Float64Array) => boolean
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
    return {
      output,
      run(memory, block, isOn) {
        const { start, end, dtS, reasons, bars } = block
        reasons.fill(0, start, end)
        bars.fill(0, start, end)
        for (const mark of onWhen) mark(memory, block, reasons)
        for (const mark of notWhile) mark(memory, block, bars)
        let stoodS = memory[stoodAt]!
        for (let row = start; row < end; row++) {
          stoodS = reasons[row] === 0 ? -1 : stoodS < 0 ? 0 : stoodS + dtS[row]!
          isOn[row] = reasons[row] === 1 && bars[row] === 0 && stoodS >= output.delayS ? 1 : 0
        }
        memory[stoodAt] = stoodS
        memory[isOnAt] = isOn[end - 1]!
      },
      settle(memory) {
        for (const slot of remembers) memory[slot] = 0
        memory[stoodAt] = output.delayS
      },
      isOn: (memory) => memory[isOnAt] === 1,
    }
  })
}
