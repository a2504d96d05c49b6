import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const ductLoss = defineCalculation({
  id: 'loss-at-flow',
  name: 'Loss of a duct at another flow',
  group: 'flow',
  words: 'pressure resistance terminal filter square law',
  inputs: {
    dp: number('loss at that flow', 'pressure', 60),
    q1: number('flow there', 'flow', 50, [0.01, 100000]),
    q2: number('other flow', 'flow', 65),
    n: number('exponent (2 turbulent, 1 filter)', 'count', 2, [1, 2.5]),
  },
  outputs: { dp2: out('loss at the other flow', 'pressure', 1) },
  formula: 'Δp = {dp} · ({q2} / {q1})^{n}',
  source: 'Square law of turbulent loss; filters lie near an exponent of 1',
  run: ({ dp, q1, q2, n }) => ({ dp2: dp * (q2 / q1) ** n }),
})
