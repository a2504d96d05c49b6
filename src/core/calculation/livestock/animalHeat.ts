import { choice, defineCalculation, number, out } from '@/core/calculation/calculation'
import { animal, ANIMAL_IDS, houseSplit } from '@/core/physics/animals'

/** The fields a calculation asks for an animal, the figures that not every animal has among them. */
export const animalInputs = {
  a: choice(
    'animal',
    'calf',
    ANIMAL_IDS.map((id) => [id, animal(id).name] as const),
  ),
  N: number('how many', 'count', 20, [1, 1000000]),
  m: number('mass of each', 'mass', 60, [0.02, 1500]),
  gain: number('gain in a day (kg)', 'count', 0.5, [0, 3]),
  milk: number('milk in a day (kg)', 'count', 0, [0, 80]),
  eggs: number('eggs in a day (kg)', 'count', 0.05, [0, 0.2]),
  preg: number('days pregnant', 'count', 0, [0, 350]),
  n: number('feed over maintenance', 'count', 3, [1, 4]),
  M: number('feed energy (MJ/kg)', 'count', 10, [5, 15]),
} as const

type Figures = { a: Parameters<typeof animal>[0] } & Record<
  'N' | 'm' | 'gain' | 'milk' | 'eggs' | 'preg' | 'n' | 'M',
  number
>

/** Heat of all the animals together at 20 °C, in units of 1000 W. */
export const heatUnits = ({ a, N, m, gain, milk, eggs, preg, n, M }: Figures): number =>
  (N * animal(a).heatW(m, { gain, milk, eggs, pregnant: preg, feed: n, feedEnergy: M })) / 1000

export const animalHeat = defineCalculation({
  id: 'animal-heat',
  name: 'Heat and water given off by animals',
  group: 'livestock',
  words: 'cigr calves pigs poultry cows horses ducklings hpu moisture',
  inputs: { ...animalInputs, t: number('house temperature', 'temperature', 15, [0, 40]) },
  outputs: {
    each: out('each, at 20 °C', 'power', 1),
    total: out('all, at this temperature', 'power'),
    sensible: out('of it sensible', 'power'),
    water: out('water', 'moistureRate'),
  },
  formula: 'Φ({a}, {m}) at 20 °C; all: {N} · Φ · (1 + k · (20 − {t})); sensible and latent by the house-level split',
  source:
    'CIGR 4th report (Pedersen and Sällvik 2002), coefficients from memory. Ducklings: the general form of poultry, an approximation',
  run({ t, ...figures }) {
    const units = heatUnits(figures)
    const { totalW, sensibleW, waterGH } = houseSplit(animal(figures.a).like, units, t)
    return { each: (units * 1000) / figures.N, total: totalW, sensible: sensibleW, water: waterGH }
  },
})
