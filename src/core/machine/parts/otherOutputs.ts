import { HAS_BEEN_HOT, type Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { isBeyond, isPast, turnedPoint } from '@/core/machine/past'
import type { Condition, OtherOutput } from '@/core/response/schema'
import { exact } from '@/core/rules/exact'

export type CompiledOutput = {
  readonly output: OtherOutput
  /** Fills in whether it is on in each row. */
  readonly run: (memory: Float64Array, block: Columns, isOn: Uint8Array) => void
  /** Forgets what it was, as if its delay were over. */
  readonly settle: (memory: Float64Array) => void
  readonly isOn: (memory: Float64Array) => boolean
}

/** Marks the rows in which a condition stands. */
type Mark = (memory: Float64Array, block: Columns, marks: Uint8Array) => void

/** Marks the rows in which `stands` is true of the column. */
const markWhere =
  (column: (block: Columns) => Float64Array, stands: (x: number) => boolean): Mark =>
  (_memory, block, marks) => {
    const xs = column(block)
    for (let row = block.start; row < block.end; row++) if (stands(xs[row]!)) marks[row] = 1
  }

function compileCondition(
  condition: Condition,
  { memory: plan, inputIndex }: PartContext,
  fanIds: readonly string[],
  remembers: number[],
): Mark {
  switch (condition.kind) {
    case 'input': {
      const at = inputIndex(condition.input)
      const stood = plan.slot(0, 'latches')
      remembers.push(stood)
      const point = turnedPoint(condition.when, condition.at)
      const { sign } = point
      const back = exact(point.edge - condition.release)
      return (memory, { start, end, inputs }, marks) => {
        const xs = inputs[at]!
        let stands = memory[stood] === 1
        for (let row = start; row < end; row++) {
          stands = isBeyond(point, xs[row]!) || (stands && sign * xs[row]! > back)
          if (stands) marks[row] = 1
        }
        memory[stood] = stands ? 1 : 0
      }
    }
    case 'switch': {
      const at = inputIndex(condition.input)
      const wanted = condition.is === 'on'
      return markWhere(
        ({ inputs }) => inputs[at]!,
        (x) => x >= 0.5 === wanted,
      )
    }
    case 'speed': {
      const at = fanIds.indexOf(condition.fan)
      const { when, atPct } = condition
      return markWhere(
        ({ fansPct }) => fansPct[at]!,
        (pct) => isPast(when, pct, atPct),
      )
    }
    case 'lost': {
      const at = inputIndex(condition.input)
      return markWhere(({ inputs }) => inputs[at]!, Number.isNaN)
    }
    case 'overheated':
      return (_memory, { start, end, heat }, marks) => {
        for (let row = start; row < end; row++) if ((heat[row]! & HAS_BEEN_HOT) !== 0) marks[row] = 1
      }
  }
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
