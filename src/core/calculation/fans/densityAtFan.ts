import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { densityKgM3, pressureAt } from '@/core/physics/moistAir'

export const densityAtFan = defineCalculation({
  id: 'fan-density',
  name: 'Fan in thin, hot or cold air',
  group: 'fans',
  words: 'density altitude temperature pressure rated',
  inputs: {
    p: number('rated pressure', 'pressure', 250),
    P: number('rated power', 'power', 500),
    t: number('air temperature', 'temperature', 40, [-50, 300]),
    z: number('altitude', 'altitude', 0, [-400, 5000]),
  },
  outputs: {
    rho: out('density', 'density'),
    p2: out('pressure', 'pressure', 1),
    P2: out('shaft power', 'power', 1),
  },
  formula: 'ρ = p({z}) / (287.042 · ({t} + 273.15)); pressure {p} · ρ / 1.2; power {P} · ρ / 1.2; flow stays',
  source: 'Fan laws; rated at 1.2 kg/m³',
  run({ p, P, t, z }) {
    const rho = densityKgM3(t, 0, pressureAt(z))
    return { rho, p2: (p * rho) / 1.2, P2: (P * rho) / 1.2 }
  },
})
