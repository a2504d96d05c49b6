import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const convertTemperature = defineCalculation({
  id: 'convert-temperature',
  name: 'A temperature and a difference in °F',
  group: 'signals',
  words: 'celsius fahrenheit kelvin convert units 32',
  inputs: {
    t: number('temperature', 'temperature', 20),
    d: number('difference', 'temperatureDifference', 2),
  },
  outputs: { F: out('the temperature in °F', 'count', 1), f: out('the difference in F°', 'count', 2) },
  formula: '°F = 1.8 · {t} + 32; F° = 1.8 · {d}',
  source: 'Definition; GNU Units',
  run: ({ t, d }) => ({ F: 1.8 * t + 32, f: 1.8 * d }),
})
