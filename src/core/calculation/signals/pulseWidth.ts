import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const pulseWidth = defineCalculation({
  id: 'pulse-width',
  name: 'Pulse width: mean and RMS volts',
  group: 'signals',
  words: 'pwm duty mean meter',
  inputs: { D: number('duty', 'share', 50, [0, 100]), U: number('supply', 'volts', 24) },
  outputs: { mean: out('mean volts', 'volts'), rms: out('RMS volts into a resistor', 'volts') },
  formula: 'mean = {D} · {U}; RMS = √{D} · {U}',
  source: 'Definition; a meter shows the mean',
  run: ({ D, U }) => ({ mean: (D / 100) * U, rms: Math.sqrt(D / 100) * U }),
})
