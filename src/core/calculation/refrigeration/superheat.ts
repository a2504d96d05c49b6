import { altitude, fluid, noSaturation, outsideKpa } from '@/core/calculation/refrigeration/refrigerantInputs'
import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { saturationC } from '@/core/physics/saturation'

export const superheat = defineCalculation({
  id: 'superheat',
  name: 'Superheat',
  group: 'refrigeration',
  words: 'suction low side evaporator',
  inputs: {
    fluid,
    p: number('gauge pressure, low side', 'gaugePressure', 150),
    ts: number('suction line', 'temperature', 4, [-60, 60]),
    z: altitude,
  },
  outputs: { te: out('evaporating', 'temperature'), sh: out('superheat', 'temperatureDifference') },
  formula: 'te of {fluid}, dew, at {p} + air at {z}; superheat = {ts} − te',
  source: 'Definition; published equations of each refrigerant',
  caution: 'Refrigerant work by certified people only.',
  run({ fluid: id, p, ts, z }) {
    const te = saturationC(id, 'dew', p + outsideKpa(z))
    return Number.isNaN(te) ? noSaturation(id) : { te, sh: ts - te }
  },
  verdict: (_given, { sh }) =>
    sh < 0
      ? 'Vapour cannot be colder than it boils: a wrong refrigerant or side, a gauge that shows absolute pressure, or a probe with no contact.'
      : sh === 0
        ? 'None: liquid may be going back.'
        : 'Of this moment only: let it settle, and read again.',
})
