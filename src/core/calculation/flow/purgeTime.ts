import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const purgeTime = defineCalculation({
  id: 'purge-time',
  name: 'Time to clear a share of the air',
  group: 'flow',
  words: 'purge dilution clear evening smoke',
  inputs: {
    n: number('air changes', 'airChanges', 4, [0.01, 1000]),
    x: number('share to be replaced', 'share', 95, [0, 99.999]),
  },
  outputs: { t: out('time', 'time') },
  formula: 't = −ln(1 − {x}) / {n}',
  source: 'Dilution with perfect mixing; real rooms need one to ten times longer',
  run: ({ n, x }) => ({ t: (-Math.log(1 - x / 100) / n) * 3600 }),
})
