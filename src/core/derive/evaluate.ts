import { type Derived, fanFlowLs } from '@/core/derive/derive'
import type { Machine } from '@/core/machine/compile'
import { explain, type Explanation } from '@/core/machine/explain'
import type { MachineState } from '@/core/machine/state'
import { fanSignal } from '@/core/kit/fanSignal'
import { type SignalReading, signalAt } from '@/core/physics/signal'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { reasonText } from '@/core/sentences/words'

type FanNow = {
  readonly id: string
  readonly speedPct: number
  readonly signal: SignalReading
  readonly flowLs: number | null
}

/** The answer at one instant, settled: what every fan gives, who is in charge, what each rule asks, and why. */
type Evaluation = {
  readonly fans: readonly FanNow[]
  readonly inCharge: { readonly rule: string; readonly asksPct: number }
  readonly asks: readonly { readonly rule: string; readonly asksPct: number | null }[]
  /** Damper, alarm and the like, where there are any. */
  readonly outputs?: readonly { readonly id: string; readonly isOn: boolean }[]
  readonly reason: string
}

/** Away with the last binary digits: 62.375000000000014 is 62.375 on every screen and in every file. */
const rounded = (x: number): number => Number(x.toFixed(6))

export type Instant = { readonly evaluation: Evaluation; readonly explanation: Explanation }

/** Evaluates `machine` at the inputs, with the fans' own signals and flows. */
export function evaluateAt(
  machine: Machine,
  { fans }: Pick<Derived, 'fans'>,
  values: Readonly<Record<string, number>>,
  preference: UnitPreference = METRIC,
  /** A state that has just been stepped with these values; settled where none is given. */
  stepped?: MachineState,
): Instant {
  const inputs = machine.inputsFrom(values)
  const state = stepped ?? machine.settledState(inputs)
  const explanation = explain(machine, state, inputs)
  const fansNow = machine.fanIds.flatMap((id, index): FanNow[] => {
    const derived = fans.find(({ fan }) => fan.id === id)
    const speedPct = state.fansPct[index]!
    if (!derived) return []
    const [signal, flowLs] = [
      signalAt(fanSignal(derived.fan, machine.response), speedPct),
      fanFlowLs(derived, speedPct),
    ]
    return [
      {
        id,
        speedPct: rounded(speedPct),
        signal: { ...signal, value: rounded(signal.value) },
        flowLs: flowLs === null ? null : rounded(flowLs),
      },
    ]
  })
  const evaluation: Evaluation = {
    fans: fansNow,
    inCharge: { rule: explanation.inCharge?.id ?? 'floor', asksPct: rounded(explanation.asksPct) },
    asks: machine.rules.map(({ id }, index) => ({
      rule: id,
      asksPct: Number.isNaN(state.asksPct[index]!) ? null : rounded(state.asksPct[index]!),
    })),
    ...(machine.otherOutputs.length > 0
      ? { outputs: machine.otherOutputs.map(({ output, isOn }) => ({ id: output.id, isOn: isOn(state.memory) })) }
      : {}),
    reason: reasonText(machine.response, explanation, preference),
  }
  return { evaluation, explanation }
}
