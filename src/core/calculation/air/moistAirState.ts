import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { airState, pressureAt } from '@/core/physics/moistAir'

export const moistAirState = defineCalculation({
  id: 'moist-air',
  name: 'Moist air from temperature and humidity',
  group: 'air',
  words: 'dew point wet bulb enthalpy density humidity ratio absolute psychrometric',
  inputs: {
    t: number('air temperature', 'temperature', 20, [-50, 90]),
    RH: number('relative humidity', 'humidity', 50),
    z: number('altitude', 'altitude', 0, [-400, 5000]),
  },
  outputs: {
    W: out('humidity ratio', 'humidityRatio'),
    dew: out('dew point', 'temperature'),
    wet: out('wet bulb', 'temperature'),
    h: out('enthalpy', 'enthalpy'),
    rho: out('density', 'density'),
  },
  formula:
    'pw = {RH} · pws({t}); W = 0.621945 · pw / (p({z}) − pw); dew point: pws(dew) = pw; h = 1.006 · {t} + W · (2501 + 1.86 · {t})',
  source: 'ASHRAE Handbook Fundamentals, Psychrometrics (Hyland and Wexler); ideal gas, half a percent under real air',
  run({ t, RH, z }) {
    const { ratio, dewPointC, wetBulbC, enthalpyKjKg, densityKgM3 } = airState(t, RH, pressureAt(z))
    return { W: ratio * 1000, dew: dewPointC, wet: wetBulbC, h: enthalpyKjKg, rho: densityKgM3 }
  },
})
