import { altitude, fluid, noSaturation, outsideKpa, side } from '@/core/calculation/refrigeration/refrigerantInputs'
import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { saturationKpa } from '@/core/physics/saturation'

export const saturationPressure = defineCalculation({
  id: 'saturation-pressure',
  name: 'Saturation pressure of a refrigerant',
  group: 'refrigeration',
  words: 'gauge psi bar temperature chart condensing evaporating',
  inputs: { fluid, side, t: number('temperature', 'temperature', 38, [-60, 100]), z: altitude },
  outputs: { gauge: out('gauge pressure', 'gaugePressure'), absolute: out('absolute pressure', 'absolutePressure') },
  formula: 'ln(p/pc) = (Tc/T) · Σ n · (1 − T/Tc)^t for {fluid}, {side}, T = {t} + 273.15; gauge = p − air at {z}',
  source:
    'Published equations of each refrigerant, coefficients from memory, corroborated; 0.5 % pure, 1 % blends against other tables',
  caution: 'Refrigerant work by certified people only. Never judge charge while the fan is modulating.',
  run({ fluid: id, side: curve, t, z }) {
    const kpa = saturationKpa(id, curve, t)
    return Number.isNaN(kpa) ? noSaturation(id) : { gauge: kpa - outsideKpa(z), absolute: kpa }
  },
})
