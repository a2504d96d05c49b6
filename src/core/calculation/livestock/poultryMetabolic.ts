import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const poultryMetabolic = defineCalculation({
  id: 'poultry-air',
  name: 'Air for poultry by metabolic mass',
  group: 'livestock',
  words: 'birds chickens ducklings ducks minimum maximum broilers',
  inputs: { N: number('birds', 'count', 900, [1, 1000000]), m: number('mass of each', 'mass', 0.4, [0.02, 30]) },
  outputs: { low: out('least, from', 'flow'), high: out('least, to', 'flow'), most: out('most', 'flow') },
  formula: 'q = {N} · (1.6 to 2.0)·10⁻⁴ m³/s · {m}^0.75; most: 1.6·10⁻³',
  source: 'Metabolic form (Charles), from memory, medium to low. For ducklings an approximation, never a standard',
  run({ N, m }) {
    const metabolic = N * m ** 0.75 * 1000
    return { low: 1.6e-4 * metabolic, high: 2e-4 * metabolic, most: 1.6e-3 * metabolic }
  },
})
