import type { Machine } from '@/core/response/compile'
import type { MeasuredInput } from '@/core/response/schema'

export type CurvePoint = { readonly x: number; readonly pct: number; readonly fansPct: readonly number[] }

const POINTS = 241

/** Settled speed against one input over its range, the others held at `rest` (missing: lost, switches off). */
export function curveAgainst(
  machine: Machine,
  input: MeasuredInput,
  rest: Readonly<Record<string, number>>,
): CurvePoint[] {
  const inputs = machine.inputsFrom(rest)
  const at = machine.inputIds.indexOf(input.id)
  const state = machine.newState()
  return Array.from({ length: POINTS }, (_, index) => {
    const x = input.from + ((input.to - input.from) * index) / (POINTS - 1)
    inputs[at] = x
    machine.settle(state, inputs)
    return { x, pct: state.fansPct[0]!, fansPct: Array.from(state.fansPct) }
  })
}
