import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { saturationPa } from '@/core/physics/moistAir'

export const saturation = defineCalculation({
  id: 'vapour-saturation',
  name: 'Saturation pressure of water vapour',
  group: 'air',
  words: 'steam ice',
  inputs: { t: number('temperature', 'temperature', 20, [-60, 99]) },
  outputs: { pws: out('saturation pressure', 'pressure') },
  formula: 'ln pws = a/T + b + c·T + d·T² + e·T³ + f·T⁴ + g·ln T, T = {t} + 273.15 K; over ice up to 0.01 °C',
  source: 'Hyland and Wexler 1983, as in ASHRAE Handbook Fundamentals',
  run: ({ t }) => ({ pws: saturationPa(t) }),
})
