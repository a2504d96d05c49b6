import { warmsInS } from '@/core/brief/warming'
import { animalInputs, heatUnits } from '@/core/calculation/livestock/animalHeat'
import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { animal, houseSplit } from '@/core/physics/animals'
import { CO2_M3H_PER_UNIT } from '@/core/physics/balances'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'

export const withoutAir = defineCalculation({
  id: 'without-air',
  name: 'A closed house without air: how long',
  group: 'livestock',
  words: 'power cut failure alarm backup hours suffocation heat co2 rise time emergency',
  inputs: {
    ...animalInputs,
    V: number('volume of the house', 'volume', 400, [5, 100000]),
    ti: number('temperature now', 'temperature', 20, [-10, 45]),
    to: number('outside', 'temperature', 25, [-40, 45]),
    UA: number('heat loss of the house', 'conductance', 80, [0, 100000]),
    k: number('what warms with the air, as times its own', 'count', 4, [1, 50]),
    limit: number('temperature they do not bear', 'temperature', 35, [0, 50]),
    C: number('carbon dioxide they do not bear', 'concentration', 30000, [3000, 100000]),
  },
  outputs: {
    heat: out('until too hot', 'time'),
    co2: out('until too much carbon dioxide', 'time'),
    least: out('the sooner', 'time'),
  },
  formula:
    'heat: τ · ln((T∞ − {ti}) / (T∞ − {limit})), τ = {k} · 1207 · {V} / {UA}, T∞ = {to} + sensible / {UA}; CO₂: {V} · ({C} − 1000) / (units · 0.185 m³/h)',
  source:
    'Balance of heat and of carbon dioxide of a closed house; CIGR 2002, from memory. Animals that pant give off more',
  caution:
    'Hours at the most, and with heat and damp together less. An alarm has to reach somebody who can be there in half of it.',
  run({ V, ti, to, UA, k, limit, C, ...figures }) {
    const units = heatUnits(figures)
    const { sensibleW } = houseSplit(animal(figures.a).like, units, Math.min(ti, 35))
    const heat = warmsInS(sensibleW, UA, k * HEAT_OF_AIR_J_PER_LK * 1000 * V, { fromC: ti, toC: limit, outsideC: to })
    const co2 = (V * (C - 1000) * 1e-6 * 3600) / (units * CO2_M3H_PER_UNIT)
    return { heat: heat === Infinity ? NaN : heat, co2, least: Math.min(heat, co2) }
  },
  verdict: (_given, { heat, co2 }) =>
    Number.isNaN(heat)
      ? 'By this figure its walls hold it below that; the carbon dioxide goes on.'
      : heat < co2
        ? 'Heat comes first.'
        : 'Carbon dioxide comes first.',
})
