import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const purgeShare = defineCalculation({
  id: 'purge-share',
  name: 'Share of the air replaced in a time',
  group: 'flow',
  words: 'purge dilution clear evening two hours half',
  inputs: {
    n: number('air changes', 'airChanges', 0.5, [0, 1000]),
    t: number('time', 'time', 7200),
  },
  outputs: { x: out('replaced', 'share') },
  formula: 'x = 1 − e^(−{n} · {t})',
  source:
    'Dilution with perfect mixing. Half a change an hour for 2 h replaces 63 %, not all; the fabric holds far more heat than the air',
  run: ({ n, t }) => ({ x: 100 * (1 - Math.exp((-n * t) / 3600)) }),
})
