import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { phaseCutAngleDeg, phaseCutShare } from '@/core/physics/phaseCut'

export const phaseCut = defineCalculation({
  id: 'phase-cut',
  name: 'Phase cut: share, firing angle, volts',
  group: 'signals',
  words: 'triac rms dimmer voltage mains',
  inputs: { F: number('share of the full voltage', 'share', 70, [0, 100]), U: number('supply', 'volts', 230) },
  outputs: { a: out('firing angle', 'angle'), V: out('RMS volts', 'volts', 1) },
  formula: '{F} = √(1 − α/π + sin 2α/(2π)); V = {F} · {U}',
  source:
    'Textbook alternating-voltage controller, resistive load; a motor conducts past the zero crossing and gets more',
  run({ F, U }) {
    const a = phaseCutAngleDeg(F / 100)
    return { a, V: phaseCutShare(a) * U }
  },
})
