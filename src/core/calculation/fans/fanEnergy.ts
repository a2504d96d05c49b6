import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'

export const fanEnergy = defineCalculation({
  id: 'fan-energy',
  name: 'What a year of this speed costs',
  group: 'fans',
  words: 'energy kwh heating season running cost',
  inputs: {
    P: number('electrical power', 'power', 20),
    q: number('flow', 'flow', 25),
    dT: number('mean inside over outside, heating season', 'temperatureDifference', 12),
    d: number('days of heating in the year', 'count', 220, [0, 366]),
    eta: number('heat recovered', 'share', 0, [0, 100]),
  },
  outputs: { el: out('electricity in the year', 'energy', 0), heat: out('heat carried out', 'energy', 0) },
  formula: 'electricity = {P} · 8760 h; heat = 1.2072 · {q} · {dT} · (1 − {eta}) · {d} · 24 h',
  source: 'Energy balance; running all the year at this speed',
  run: ({ P, q, dT, d, eta }) => ({
    el: (P * 8760) / 1000,
    heat: (HEAT_OF_AIR_J_PER_LK * q * dT * (1 - eta / 100) * d * 24) / 1000,
  }),
})
