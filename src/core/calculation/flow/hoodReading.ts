import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const hoodReading = defineCalculation({
  id: 'hood-reading',
  name: 'Flow hood reading',
  group: 'flow',
  words: 'capture factor terminal grille balometer correction',
  inputs: {
    q: number('flow read', 'flow', 40),
    k: number('factor of hood and terminal', 'count', 1, [0.3, 3]),
    rho: number('density of the air', 'density', 1.2),
  },
  outputs: { q12: out('flow as measured', 'flow'), std: out('as air of 1.2 kg/m³', 'flow') },
  formula: 'q = {q} · {k}; as air of 1.2 kg/m³: q · {rho} / 1.2',
  source: 'Definition; the factor comes from the hood’s own sheet, or from a traverse beside it',
  run: ({ q, k, rho }) => ({ q12: q * k, std: (q * k * rho) / 1.2 }),
})
