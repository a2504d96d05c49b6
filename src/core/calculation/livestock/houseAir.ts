import { animalInputs, heatUnits } from '@/core/calculation/livestock/animalHeat'
import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { animal, houseSplit } from '@/core/physics/animals'
import { co2FlowLs, heatFlowLs, moistureFlowLs } from '@/core/physics/balances'

export const houseAir = defineCalculation({
  id: 'house-air',
  name: 'Air for a livestock house: moisture, carbon dioxide, heat',
  group: 'livestock',
  words: 'minimum ventilation calves pigs poultry co2 balance floor',
  inputs: {
    ...animalInputs,
    ti: number('house temperature', 'temperature', 12, [0, 40]),
    RHi: number('house humidity', 'humidity', 75),
    to: number('outside temperature', 'temperature', 0, [-40, 40]),
    RHo: number('outside humidity', 'humidity', 90),
    UA: number('heat loss of the house', 'conductance', 150),
    C: number('carbon dioxide allowed', 'concentration', 3000, [500, 10000]),
  },
  outputs: {
    water: out('for the moisture', 'flow'),
    co2: out('for the carbon dioxide', 'flow'),
    least: out('least air: the greater of the two', 'flow'),
    heat: out('that holds the temperature', 'flow'),
  },
  formula:
    'moisture: X / (1.2 · (W({ti}, {RHi}) − W({to}, {RHo}))); CO₂: units · 0.185 / ({C} − 400); heat: (sensible − {UA} · ({ti} − {to})) / (1207.2 · ({ti} − {to}))',
  source:
    'Mass and energy balances; heat and water by CIGR 2002, from memory. Limits: 3000 ppm, EU 2007/43/EC, from memory',
  caution: 'Animals die without air in hours. A heat figure below the least air means: heat is needed, not less air.',
  run({ ti, RHi, to, RHo, UA, C, ...figures }) {
    if (ti <= to) return 'The house is no warmer than outside: ventilate by heat, at the highest rate.'
    if (C <= 400) return 'Outside air holds about 400 ppm: allow more than that.'
    const units = heatUnits(figures)
    const { sensibleW, waterGH } = houseSplit(animal(figures.a).like, units, ti)
    const water = moistureFlowLs(waterGH, { tempC: ti, rhPct: RHi }, { tempC: to, rhPct: RHo })
    const co2 = co2FlowLs(units, C, 400)
    return {
      water,
      co2,
      least: Math.max(Number.isNaN(water) ? 0 : water, co2),
      heat: heatFlowLs(sensibleW, UA, ti, to),
    }
  },
})
