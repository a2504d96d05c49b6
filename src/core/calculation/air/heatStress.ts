import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const heatStress = defineCalculation({
  id: 'heat-stress',
  name: 'Heat-stress index for cattle',
  group: 'air',
  words: 'thi temperature humidity index cows dairy livestock',
  inputs: {
    t: number('air temperature', 'temperature', 27, [-20, 50]),
    RH: number('relative humidity', 'humidity', 60),
  },
  outputs: { THI: out('temperature-humidity index', 'count', 1) },
  formula: 'THI = (1.8 · {t} + 32) − (0.55 − 0.0055 · {RH}) · (1.8 · {t} − 26)',
  source:
    'National Research Council 1971, from memory. Dairy: from 68 mild, 72 moderate, 80 severe, 90 danger; authors differ',
  run: ({ t, RH }) => ({ THI: 1.8 * t + 32 - (0.55 - 0.0055 * RH) * (1.8 * t - 26) }),
})
