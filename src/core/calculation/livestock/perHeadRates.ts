import { choice, defineCalculation, number, out } from '@/core/calculation/calculation'

// Cold, mild and hot weather, cubic feet a minute a head. Midwest Plan Service, from memory; reference-values `live.perHeadRates`.
const RATES_CFM = {
  calf: ['calf, 0 to 2 months', 15, 50, 100],
  heifer: ['heifer, 2 to 12 months', 20, 60, 130],
  heifer2: ['heifer, 12 to 24 months', 30, 80, 180],
  cow: ['dairy cow, 635 kg', 50, 170, 500],
  sow: ['sow and litter', 20, 80, 500],
  piglet: ['pig, 5 to 14 kg', 2, 10, 25],
  pig: ['pig, 14 to 34 kg', 3, 15, 35],
  pig2: ['pig, 34 to 68 kg', 7, 24, 75],
  pig3: ['pig, 68 to 100 kg', 10, 35, 120],
  gestating: ['gestating sow', 12, 40, 150],
  boar: ['boar', 14, 50, 180],
  horse: ['horse, 450 kg', 25, 100, 200],
} as const
type Head = keyof typeof RATES_CFM
const LS_PER_CFM = 0.4719474432

export const perHeadRates = defineCalculation({
  id: 'per-head-rates',
  name: 'Air for animals by the head',
  group: 'livestock',
  words: 'cold mild hot weather calf pig cow horse rate',
  inputs: {
    a: choice(
      'animal',
      'calf',
      (Object.keys(RATES_CFM) as Head[]).map((id) => [id, RATES_CFM[id][0]] as const),
    ),
    N: number('how many', 'count', 20, [1, 1000000]),
  },
  outputs: { cold: out('cold weather', 'flow'), mild: out('mild weather', 'flow'), hot: out('hot weather', 'flow') },
  formula: 'q = {N} · rate of a {a}',
  source: 'Midwest Plan Service, from memory: calves well, others medium, horses low',
  run({ a, N }) {
    const [, cold, mild, hot] = RATES_CFM[a]
    return { cold: N * cold * LS_PER_CFM, mild: N * mild * LS_PER_CFM, hot: N * hot * LS_PER_CFM }
  },
})
