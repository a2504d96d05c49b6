import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const flueDraught = defineCalculation({
  id: 'flue-draught',
  name: 'Draught of a flue',
  group: 'flow',
  words: 'chimney stack stove spillage',
  inputs: {
    h: number('height of the flue', 'length', 6, [0.1, 200]),
    to: number('outside temperature', 'temperature', 0, [-40, 50]),
    tf: number('mean temperature in the flue', 'temperature', 200, [-40, 600]),
  },
  outputs: { dp: out('draught', 'pressure', 1) },
  formula: 'Δp = 9.80665 · {h} · (353 / ({to} + 273.15) − 353 / ({tf} + 273.15))',
  source: 'Weight of the two columns of air. Negative: it stalls, and may spill into the room',
  caution: 'Never rely on a fan to make a stove safe: spillage test, and a carbon monoxide alarm.',
  run: ({ h, to, tf }) => ({ dp: 9.80665 * h * (353 / (to + 273.15) - 353 / (tf + 273.15)) }),
})
