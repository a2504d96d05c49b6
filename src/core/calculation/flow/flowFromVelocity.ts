import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const flowFromVelocity = defineCalculation({
  id: 'flow-from-velocity',
  name: 'Flow from velocity and area',
  group: 'flow',
  words: 'duct grille free area anemometer round rectangular',
  inputs: {
    v: number('mean velocity', 'airSpeed', 3),
    A: number('gross area', 'area', 0.0314),
    free: number('free area', 'share', 100, [1, 100]),
  },
  outputs: { q: out('flow', 'flow') },
  formula: 'q = {v} · {A} · {free}',
  source: 'Definition. One reading times gross area is weak evidence: traverse, or measure with a hood',
  run: ({ v, A, free }) => ({ q: v * A * (free / 100) * 1000 }),
})
