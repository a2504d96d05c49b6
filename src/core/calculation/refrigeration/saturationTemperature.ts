import { altitude, fluid, noSaturation, outsideKpa, side } from '@/core/calculation/refrigeration/refrigerantInputs'
import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { saturationC } from '@/core/physics/saturation'

export const saturationTemperature = defineCalculation({
  id: 'saturation-temperature',
  name: 'Saturation temperature from a gauge',
  group: 'refrigeration',
  words: 'pressure psi bar chart condensing evaporating',
  inputs: { fluid, side, p: number('gauge pressure', 'gaugePressure', 900), z: altitude },
  outputs: { t: out('saturation temperature', 'temperature') },
  formula: 'the temperature at which {fluid}, {side}, has {p} + air at {z}',
  source: 'Published equations of each refrigerant, coefficients from memory, corroborated',
  caution: 'Refrigerant work by certified people only.',
  run({ fluid: id, side: curve, p, z }) {
    const t = saturationC(id, curve, p + outsideKpa(z))
    return Number.isNaN(t) ? noSaturation(id) : { t }
  },
})
