import { choice, defineCalculation, number, out } from '@/core/calculation/calculation'
import { signalAt, speedFromSignal } from '@/core/physics/signal'

export const controlVolts = defineCalculation({
  id: 'control-volts',
  name: '0–10 V: percent and volts in each convention',
  group: 'signals',
  words: 'signal two to ten cut-off analogue',
  inputs: {
    c: choice('convention', 'ten', [
      ['ten', '0–10 V'],
      ['two-to-ten', '2–10 V over 0–100 %'],
      ['ten-cut-off', 'volts × 10, off below 2 V'],
    ]),
    s: number('speed', 'speed', 60),
    V: number('volts read', 'volts', 6, [0, 11]),
  },
  outputs: { Vs: out('volts for that speed', 'volts'), pct: out('speed at those volts', 'speed', 1) },
  formula: '{c}: volts for {s}, speed at {V}',
  source: 'Definition; both readings of 2–10 V are in use: 6 V is 50 % in one and 60 % in the other',
  run({ c, s, V }) {
    const signal = { kind: 'volts', convention: c } as const
    return { Vs: signalAt(signal, s).value, pct: speedFromSignal(signal, V) }
  },
})
