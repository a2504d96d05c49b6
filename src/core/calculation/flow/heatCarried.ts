import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'

export const heatCarried = defineCalculation({
  id: 'heat-carried',
  name: 'Heat carried out by air',
  group: 'flow',
  words: 'sensible loss energy winter',
  inputs: {
    q: number('flow', 'flow', 100),
    dT: number('inside over outside', 'temperatureDifference', 10),
  },
  outputs: { P: out('heat', 'power') },
  formula: 'P = 1.2072 · {q} · {dT}',
  source: 'Energy balance, 1.2 kg/m³ · 1.006 kJ/(kg K); without the heat in its moisture',
  run: ({ q, dT }) => ({ P: HEAT_OF_AIR_J_PER_LK * q * dT }),
})
