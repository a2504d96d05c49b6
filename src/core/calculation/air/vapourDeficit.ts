import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { saturationPa, vapourPa } from '@/core/physics/moistAir'

export const vapourDeficit = defineCalculation({
  id: 'vapour-deficit',
  name: 'Vapour pressure deficit',
  group: 'air',
  words: 'vpd grow plants leaf transpiration',
  inputs: {
    t: number('air temperature', 'temperature', 24, [0, 60]),
    RH: number('relative humidity', 'humidity', 65),
    tl: number('leaf temperature', 'temperature', 22, [0, 60]),
  },
  outputs: {
    air: out('deficit of the air', 'absolutePressure', 2),
    leaf: out('deficit at the leaf', 'absolutePressure', 2),
  },
  formula: 'air: pws({t}) · (1 − {RH}); leaf: pws({tl}) − {RH} · pws({t})',
  source: 'Definition; pws by Hyland and Wexler. Bands by stage of growth are growers’ rules, not a standard',
  run: ({ t, RH, tl }) => ({
    air: (saturationPa(t) - vapourPa(t, RH)) / 1000,
    leaf: (saturationPa(tl) - vapourPa(t, RH)) / 1000,
  }),
})
