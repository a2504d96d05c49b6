import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { flowForHeatLs } from '@/core/physics/heatFlow'

export const heatRemoval = defineCalculation({
  id: 'heat-removal',
  name: 'Flow that carries heat away',
  group: 'flow',
  words: 'heat load rise cooling cabinet kiln inverter lamp',
  inputs: {
    P: number('heat given off', 'power', 900),
    dT: number('allowed rise over outside', 'temperatureDifference', 4, [0.1, 100]),
  },
  outputs: { q: out('flow', 'flow') },
  formula: 'q = {P} / (1.2072 · {dT})',
  source: 'Energy balance, 1.2 kg/m³ · 1.006 kJ/(kg K). Other books round to 1.2, 1.21 or 1.23: a spread of 2.5 %',
  run: ({ P, dT }) => ({ q: flowForHeatLs(P, dT) }),
})
