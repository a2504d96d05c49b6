import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const tachPulses = defineCalculation({
  id: 'tach',
  name: 'Tach pulses to speed',
  group: 'signals',
  words: 'rpm pulses revolution four-wire',
  inputs: {
    n: number('pulses counted', 'count', 50),
    t: number('in', 'time', 1, [0.01, 3600]),
    ppr: number('pulses a turn', 'count', 2, [1, 100]),
  },
  outputs: { N: out('speed', 'rotation'), step: out('smallest step it can show', 'rotation') },
  formula: 'N = 60 · {n} / ({ppr} · {t})',
  source: 'Definition; two pulses a turn for four-wire fans, from memory',
  run: ({ n, t, ppr }) => ({ N: (60 * n) / (ppr * t), step: 60 / (ppr * t) }),
})
