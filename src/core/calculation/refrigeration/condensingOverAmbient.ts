import { altitude, fluid, noSaturation, outsideKpa } from '@/core/calculation/refrigeration/refrigerantInputs'
import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { saturationC } from '@/core/physics/saturation'

export const condensingOverAmbient = defineCalculation({
  id: 'condensing-over-ambient',
  name: 'Condensing over ambient, and subcooling',
  group: 'refrigeration',
  words: 'head pressure high side split liquid line',
  inputs: {
    fluid,
    p: number('gauge pressure, high side', 'gaugePressure', 900),
    ta: number('air onto the condenser', 'temperature', 15, [-40, 60]),
    tl: number('liquid line', 'temperature', 33, [-40, 90]),
    z: altitude,
  },
  outputs: {
    tc: out('condensing', 'temperature'),
    over: out('over ambient', 'temperatureDifference'),
    sub: out('subcooling', 'temperatureDifference'),
  },
  formula: 'tc of {fluid}, bubble, at {p} + air at {z}; over = tc − {ta}; subcooling = tc − {tl}',
  source: 'Definition; published equations of each refrigerant',
  caution: 'Refrigerant work by certified people only. Never judge charge while the fan is modulating.',
  run({ fluid: id, p, ta, tl, z }) {
    const tc = saturationC(id, 'bubble', p + outsideKpa(z))
    return Number.isNaN(tc) ? noSaturation(id) : { tc, over: tc - ta, sub: tc - tl }
  },
  verdict: (_given, { over, sub }) =>
    [
      over < 0
        ? 'It cannot condense below the air it gives its heat to: a wrong refrigerant or gauge, or the air was read elsewhere.'
        : '',
      sub < 0
        ? 'Liquid cannot be warmer than it condenses: a wrong refrigerant or side, a probe with no contact, or vapour in the line.'
        : '',
    ]
      .filter(Boolean)
      .join(' ') || 'Of this moment only; it says nothing of the charge while the fan is modulating.',
})
