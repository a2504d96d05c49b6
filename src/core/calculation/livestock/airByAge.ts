import { animalInputs, heatUnits } from '@/core/calculation/livestock/animalHeat'
import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { animal } from '@/core/physics/animals'
import { co2FlowLs } from '@/core/physics/balances'

const { m: _mass, ...figures } = animalInputs

export const airByAge = defineCalculation({
  id: 'air-by-age',
  name: 'Least air as a flock or herd grows',
  group: 'livestock',
  words: 'minimum ventilation age week growth chicks ducklings pigs curve co2',
  inputs: {
    ...figures,
    m0: number('mass of each at the start', 'mass', 0.05, [0.02, 1500]),
    m1: number('mass of each at the end', 'mass', 3, [0.02, 1500]),
    days: number('days from start to end', 'count', 45, [1, 1000]),
    d: number('day looked at', 'count', 14, [0, 1000]),
    C: number('carbon dioxide allowed', 'concentration', 3000, [500, 10000]),
  },
  outputs: {
    mass: out('mass of each then', 'mass'),
    now: out('least air then', 'flow'),
    first: out('at the start', 'flow'),
    last: out('at the end', 'flow'),
  },
  formula: 'mass = {m0} + ({m1} − {m0}) · {d} / {days}; least air = units({a}, mass, {N}) · 0.185 / ({C} − 400)',
  source:
    'CIGR 2002 and the balance of carbon dioxide, from memory; straight growth between two weighings. Weigh, and type again',
  caution: 'Least air for carbon dioxide only: damp litter, heaters without a flue and warm weather want more.',
  run({ a, m0, m1, days, d, C, ...rest }) {
    if (C <= 400) return 'Outside air holds about 400 ppm: allow more than that.'
    if (d > days) return 'The day looked at lies after the end.'
    const airAt = (m: number) => co2FlowLs(heatUnits({ a, m, ...rest }), C, 400)
    const mass = m0 + ((m1 - m0) * d) / days
    return { mass, now: airAt(mass), first: airAt(m0), last: airAt(m1) }
  },
  verdict: ({ a }) =>
    animal(a).isApproximate
      ? 'For these animals an approximation, never a standard.'
      : 'Change it as they grow: a step a week.',
})
