import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const airChanges = defineCalculation({
  id: 'air-changes',
  name: 'Air changes an hour',
  group: 'flow',
  words: 'ach volume room',
  inputs: { q: number('flow', 'flow', 30), V: number('volume of the room', 'volume', 30) },
  outputs: { n: out('air changes', 'airChanges'), tau: out('time of one change', 'time') },
  formula: 'n = 3.6 · {q} / {V}',
  source: 'Definition',
  run: ({ q, V }) => (V > 0 && q > 0 ? { n: (3.6 * q) / V, tau: (V * 1000) / q } : 'Flow and volume must be above 0.'),
})
