import type { PartContext } from '@/core/machine/parts/context'
import type { CompiledHolds } from '@/core/machine/parts/holds'
import { countsPoint, isPast, isUpward } from '@/core/machine/past'
import type { Condition, OtherOutput } from '@/core/response/schema'
import { exact } from '@/core/rules/exact'

export type CompiledOutput = {
  readonly output: OtherOutput
  readonly step: (memory: Float64Array, inputs: Float64Array, fansPct: Float64Array, dtS: number) => void
  readonly settle: (memory: Float64Array, inputs: Float64Array, fansPct: Float64Array) => void
  readonly isOn: (memory: Float64Array) => boolean
}

type Stands = (memory: Float64Array, inputs: Float64Array, fansPct: Float64Array) => boolean

function compileCondition(
  condition: Condition,
  { memory: plan, inputIndex }: PartContext,
  fanIds: readonly string[],
  holds: CompiledHolds | null,
  remembers: number[],
): Stands {
  switch (condition.kind) {
    case 'input': {
      const at = inputIndex(condition.input)
      const stood = plan.slot(0, 'latches')
      remembers.push(stood)
      const sign = isUpward(condition.when) ? 1 : -1
      const counts = countsPoint(condition.when)
      const edge = exact(sign * condition.at)
      const back = exact(edge - condition.release)
      return (memory, inputs) => {
        const past = sign * inputs[at]!
        const stands = past > edge || (counts && past === edge) || (memory[stood] === 1 && past > back)
        memory[stood] = stands ? 1 : 0
        return stands
      }
    }
    case 'switch': {
      const at = inputIndex(condition.input)
      const wanted = condition.is === 'on'
      return (_memory, inputs) => inputs[at]! >= 0.5 === wanted
    }
    case 'speed': {
      const at = fanIds.indexOf(condition.fan)
      const { when, atPct } = condition
      return (_memory, _inputs, fansPct) => isPast(when, fansPct[at]!, atPct)
    }
    case 'lost': {
      const at = inputIndex(condition.input)
      return (_memory, inputs) => Number.isNaN(inputs[at]!)
    }
    case 'overheated':
      return (memory) => holds?.hasOverheated(memory) ?? false
  }
}

/** Bypass damper, shutter, alarm contact, heater permission, lamp. */
export function compileOtherOutputs(
  context: PartContext,
  fanIds: readonly string[],
  holds: CompiledHolds | null,
): CompiledOutput[] {
  return (context.response.otherOutputs ?? []).map((output) => {
    const remembers: number[] = []
    const compiled = (conditions: readonly Condition[]) =>
      conditions.map((condition) => compileCondition(condition, context, fanIds, holds, remembers))
    const onWhen = compiled(output.onWhen)
    const notWhile = compiled(output.notWhile)
    const isOn = context.memory.slot(0, 'latches')
    // Negative while no reason stands; the moment a reason is first seen counts as 0 s.
    const stoodS = context.memory.slot(-1, 'timers')
    // Every condition is looked at every time: each keeps its own memory.
    const any = (conditions: readonly Stands[], memory: Float64Array, inputs: Float64Array, fansPct: Float64Array) => {
      let stands = false
      for (let index = 0; index < conditions.length; index++)
        if (conditions[index]!(memory, inputs, fansPct)) stands = true
      return stands
    }
    const step: CompiledOutput['step'] = (memory, inputs, fansPct, dtS) => {
      const hasReason = any(onWhen, memory, inputs, fansPct)
      const isBarred = any(notWhile, memory, inputs, fansPct)
      memory[stoodS] = !hasReason ? -1 : memory[stoodS]! < 0 ? 0 : memory[stoodS]! + dtS
      memory[isOn] = hasReason && !isBarred && memory[stoodS] >= output.delayS ? 1 : 0
    }
    return {
      output,
      step,
      settle(memory, inputs, fansPct) {
        for (const slot of remembers) memory[slot] = 0
        memory[stoodS] = output.delayS
        step(memory, inputs, fansPct, 0)
      },
      isOn: (memory) => memory[isOn] === 1,
    }
  })
}
