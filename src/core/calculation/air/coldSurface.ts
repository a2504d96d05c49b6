import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { dewPointC, saturationPa, vapourPa } from '@/core/physics/moistAir'

export const coldSurface = defineCalculation({
  id: 'cold-surface',
  name: 'Will it run with water on a cold surface?',
  group: 'air',
  words: 'condensation dew point margin mould wall pipe duct',
  inputs: {
    t: number('air temperature', 'temperature', 20, [-20, 60]),
    RH: number('relative humidity', 'humidity', 50),
    ts: number('surface temperature', 'temperature', 12, [-40, 60]),
  },
  outputs: {
    dew: out('dew point', 'temperature'),
    margin: out('margin above it', 'temperatureDifference'),
    RHs: out('humidity at the surface', 'humidity'),
  },
  formula: 'dew point: pws(dew) = {RH} · pws({t}); margin = {ts} − dew; at the surface RH = pw / pws({ts})',
  source: 'Definition; pws by Hyland and Wexler. At a margin of 0 it runs with water',
  run({ t, RH, ts }) {
    const dew = dewPointC(vapourPa(t, RH))
    return { dew, margin: ts - dew, RHs: (100 * vapourPa(t, RH)) / saturationPa(ts) }
  },
})
