import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { densityKgM3, humidityRatio, pressureAt } from '@/core/physics/moistAir'

export const densityAtAltitude = defineCalculation({
  id: 'density',
  name: 'Density of air at altitude',
  group: 'air',
  words: 'pressure height mountain thin air',
  inputs: {
    t: number('air temperature', 'temperature', 20, [-50, 300]),
    z: number('altitude', 'altitude', 0, [-400, 5000]),
  },
  outputs: { p: out('pressure of the air', 'pressure'), rho: out('density', 'density') },
  formula: 'p = 101325 · (1 − 2.25577e−5 · {z})^5.2559; ρ = p / (287.042 · ({t} + 273.15))',
  source: 'ASHRAE Handbook Fundamentals, Psychrometrics; dry air',
  run({ t, z }) {
    const p = pressureAt(z)
    return { p, rho: densityKgM3(t, humidityRatio(t, 0, p), p) }
  },
})
