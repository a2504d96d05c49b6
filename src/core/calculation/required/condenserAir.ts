import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { flowForHeatLs } from '@/core/physics/heatFlow'

export const condenserAir = defineCalculation({
  id: 'condenser-air',
  name: 'Air for the heat a condenser gives off',
  group: 'required flow',
  words: 'head pressure refrigeration rejected cooling',
  inputs: {
    Q: number('cooling done', 'power', 6000),
    P: number('power of the compressor', 'power', 2200),
    dT: number('rise of the air through the coil', 'temperatureDifference', 10, [0.5, 60]),
  },
  outputs: { heat: out('heat given off', 'power'), q: out('flow', 'flow') },
  formula: 'heat = {Q} + {P}; q = heat / (1.2072 · {dT})',
  source: 'Energy balance',
  run: ({ Q, P, dT }) => ({ heat: Q + P, q: flowForHeatLs(Q + P, dT) }),
})
