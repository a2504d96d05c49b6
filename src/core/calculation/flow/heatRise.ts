import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'

export const heatRise = defineCalculation({
  id: 'heat-rise',
  name: 'Rise of air that takes up heat',
  group: 'flow',
  words: 'heat load temperature difference back',
  inputs: { P: number('heat given off', 'power', 900), q: number('flow', 'flow', 150, [0.1, 100000]) },
  outputs: { dT: out('rise', 'temperatureDifference') },
  formula: 'ΔT = {P} / (1.2072 · {q})',
  source: 'Energy balance, 1.2 kg/m³ · 1.006 kJ/(kg K)',
  run: ({ P, q }) => ({ dT: P / (HEAT_OF_AIR_J_PER_LK * q) }),
})
