// Heat production, total, W per animal at 20 °C. CIGR, 4th report of the working group on climatization of animal houses (2002), all
// coefficients from memory; reference-values `cigr.*` says how far each is to be trusted.

/** What may be asked of an animal beside its mass (kg). */
type AnimalFigure = 'milk' | 'gain' | 'eggs' | 'pregnant' | 'feed' | 'feedEnergy'
type AnimalFigures = Readonly<Record<AnimalFigure, number>>

/** Where nobody said otherwise. Common practice, no source. */
export const USUAL_FIGURES = { milk: 0, gain: 0.3, eggs: 0.05, pregnant: 0, feed: 3, feedEnergy: 10 } as const

type Species = 'cattle' | 'pigs' | 'broilers' | 'hens'

export type Animal = {
  readonly name: string
  /** Whose split of total into sensible and latent heat it follows. */
  readonly like: Species
  readonly wants: readonly AnimalFigure[]
  readonly heatW: (massKg: number, figures: AnimalFigures) => number
  /** Not an equation for this animal, but the nearest at hand. */
  readonly isApproximate?: true
}

const power =
  (factor: number, exponent = 0.75) =>
  (m: number) =>
    factor * m ** exponent

const ANIMALS = {
  calf: {
    name: 'calf',
    like: 'cattle',
    wants: ['gain'],
    heatW: (m, { gain }) => 6.44 * m ** 0.7 + (13.3 * gain * (6.28 + 0.0188 * m)) / (1 - 0.3 * gain),
  },
  beef: {
    name: 'beef animal',
    like: 'cattle',
    wants: ['gain', 'feedEnergy'],
    heatW: (m, { gain, feedEnergy }) =>
      7.64 * m ** 0.69 + (gain * (23 / feedEnergy - 1) * (57.27 + 0.302 * m)) / (1 - 0.171 * gain),
  },
  cow: {
    name: 'dairy cow',
    like: 'cattle',
    wants: ['milk', 'pregnant'],
    heatW: (m, { milk, pregnant }) => 5.6 * m ** 0.75 + 22 * milk + 1.6e-5 * pregnant ** 3,
  },
  pig: {
    name: 'growing pig',
    like: 'pigs',
    wants: ['feed'],
    heatW: (m, { feed }) => 5.09 * m ** 0.75 * (1 + (1 - (0.47 + 0.003 * m)) * (feed - 1)),
  },
  drySow: {
    name: 'dry sow',
    like: 'pigs',
    wants: ['pregnant', 'gain'],
    heatW: (m, { pregnant, gain }) => 4.85 * m ** 0.75 + 8e-5 * pregnant ** 3 + 76 * gain,
  },
  nursingSow: {
    name: 'nursing sow',
    like: 'pigs',
    wants: ['milk'],
    heatW: (m, { milk }) => 4.85 * m ** 0.75 + 28 * milk,
  },
  broiler: { name: 'broiler', like: 'broilers', wants: [], heatW: power(10.62) },
  henCage: { name: 'hen, cage', like: 'hens', wants: ['eggs'], heatW: (m, { eggs }) => 6.28 * m ** 0.75 + 25 * eggs },
  henFloor: { name: 'hen, floor', like: 'hens', wants: ['eggs'], heatW: (m, { eggs }) => 6.8 * m ** 0.75 + 25 * eggs },
  turkey: { name: 'turkey', like: 'broilers', wants: [], heatW: power(9.86, 0.77) },
  lamb: { name: 'lamb', like: 'cattle', wants: ['gain'], heatW: (m, { gain }) => 6.4 * m ** 0.67 + 145 * gain },
  sheep: {
    name: 'sheep',
    like: 'cattle',
    wants: ['milk', 'pregnant'],
    heatW: (m, { milk, pregnant }) => 6.4 * m ** 0.75 + 33 * milk + 2.4e-5 * pregnant ** 3,
  },
  goat: { name: 'goat', like: 'cattle', wants: ['milk'], heatW: (m, { milk }) => 5.5 * m ** 0.75 + 13 * milk },
  horse: { name: 'horse', like: 'cattle', wants: [], heatW: power(6.1) },
  // No equation for ducks is at hand: the general metabolic form of poultry, an approximation and never a standard.
  duckling: { name: 'duckling (approximation)', like: 'broilers', wants: [], heatW: power(10.62), isApproximate: true },
} as const satisfies Readonly<Record<string, Animal>>

export type AnimalId = keyof typeof ANIMALS
export const ANIMAL_IDS = Object.keys(ANIMALS) as AnimalId[]
export const animal = (id: AnimalId): Animal => ANIMALS[id]

/** Heat and water of a house with so much heat production (1 unit = 1000 W at 20 °C) at an inside temperature. Source: CIGR 2002, house
 *  level, from memory; `cigr.split`. Only from 0 to 40 °C. */
export function houseSplit(species: Species, units: number, insideC: number) {
  const slope = { cattle: 4, pigs: 12, broilers: 20, hens: 20 }[species]
  const total = 1000 + slope * (20 - insideC)
  const sensible = {
    cattle: 0.71 * total - 0.408 * insideC ** 2,
    pigs: 0.62 * total - 1.15e-7 * insideC ** 6,
    broilers: 0.61 * total - 0.228 * insideC ** 2,
    hens: 0.67 * total - 9.8e-8 * insideC ** 6,
  }[species]
  return {
    totalW: units * total,
    sensibleW: units * sensible,
    /** Latent heat of water, 0.680 Wh a gram. */
    waterGH: (units * (total - sensible)) / 0.68,
  }
}
