import type { Machine } from '@/core/machine/compile'
import type { MachineState } from '@/core/machine/state'
import type { Response } from '@/core/response/schema'
import type { MeasuredInput } from '@/core/rules/input'
import { ruleKind } from '@/core/rules/table'
import { WEEK_S } from '@/core/rules/week'

export type CurvePoint = { readonly x: number; readonly pct: number; readonly fansPct: readonly number[] }

const POINTS = 241
/** How long a sweep stays at each point: every delay, least time, overrun and rate is over, and a cycle is where it began. */
const STAY_S = WEEK_S

const point = (x: number, state: MachineState): CurvePoint => ({
  x,
  pct: state.fansPct[0]!,
  fansPct: Array.from(state.fansPct),
})

const places = ({ from, to }: Pick<MeasuredInput, 'from' | 'to'>): number[] =>
  Array.from({ length: POINTS }, (_, index) => from + ((to - from) * index) / (POINTS - 1))

/** Puts an input to a figure; a combined one cannot be moved alone: its own probes are moved together. */
function moving({ inputIds }: Machine, { id, combines }: MeasuredInput, inputs: Float64Array): (x: number) => void {
  const parts = combines?.how === 'difference' ? [] : (combines?.of ?? [])
  const places = [id, ...parts].map((of) => inputIds.indexOf(of))
  return (x) => {
    for (const at of places) inputs[at] = x
  }
}

/** Settled speed against one input over its range, the others held at `rest` (missing: lost, switches off). */
export function curveAgainst(
  machine: Machine,
  input: MeasuredInput,
  rest: Readonly<Record<string, number>>,
): CurvePoint[] {
  const inputs = machine.inputsFrom(rest)
  const put = moving(machine, input, inputs)
  const state = machine.newState()
  return places(input).map((x) => {
    put(x)
    machine.settle(state, inputs)
    return point(x, state)
  })
}

export type Branches = {
  readonly up: readonly CurvePoint[]
  /** In the order of rising x too. */
  readonly down: readonly CurvePoint[]
  /** Whether the way down is another than the way up. */
  readonly differ: boolean
}

/** Whether a response can keep what it was: only then is the way down another than the way up. */
const keepsWhatItWas = ({ rules, skipBands, stages, overrides }: Response): boolean =>
  skipBands !== undefined ||
  stages !== undefined ||
  overrides?.overheat !== undefined ||
  rules.some((rule) => ruleKind(rule).memories(rule).includes('latches'))

/** Walks an input over its range and, where it matters, back again, staying at every point until all is over. */
function walked(machine: Machine, input: MeasuredInput, rest: Readonly<Record<string, number>>, andBack: boolean) {
  const inputs = machine.inputsFrom(rest)
  const put = moving(machine, input, inputs)
  const xs = places(input)
  put(xs[0]!)
  const state = machine.settledState(inputs)
  const walk = (x: number): CurvePoint => {
    put(x)
    machine.step(state, inputs, STAY_S)
    return point(x, state)
  }
  const up = xs.map(walk)
  return { up, down: andBack ? [...xs].reverse().map(walk).reverse() : up }
}

/** The way a response goes while an input slowly rises over its range. */
export const risingAgainst = (
  machine: Machine,
  input: MeasuredInput,
  rest: Readonly<Record<string, number>>,
): readonly CurvePoint[] => walked(machine, input, rest, false).up

/** The two ways a response goes while an input slowly rises over its range and falls again: they differ where there is a differential, a
 *  skip band, a ladder. */
export function branchesAgainst(
  machine: Machine,
  input: MeasuredInput,
  rest: Readonly<Record<string, number>>,
): Branches {
  const { up, down } = walked(machine, input, rest, keepsWhatItWas(machine.response))
  const differs = ({ fansPct }: CurvePoint, index: number) =>
    fansPct.some((pct, fan) => Math.abs(pct - down[index]!.fansPct[fan]!) > 0.05)
  return { up, down, differ: up !== down && up.some(differs) }
}
