import { warmsInS } from '@/core/brief/warming'
import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'

export const startsPerHour = defineCalculation({
  id: 'starts-per-hour',
  name: 'Starts an hour of an on/off rule in a room',
  group: 'signals',
  words: 'differential hysteresis cycling short-cycling thermostat on off contactor',
  inputs: {
    on: number('comes on at', 'temperature', 28, [-40, 200]),
    off: number('goes off at', 'temperature', 26, [-40, 200]),
    P: number('heat given off in the room', 'power', 800, [0, 1e7]),
    to: number('outside', 'temperature', 15, [-40, 60]),
    UA: number('heat lost through the walls', 'conductance', 15, [0, 1e5]),
    q: number('flow of the fan', 'flow', 120, [0.01, 1e5]),
    V: number('volume of the room', 'volume', 30, [0.1, 1e5]),
    k: number('what warms with the air, as times its own', 'count', 5, [1, 100]),
  },
  outputs: {
    starts: out('starts an hour', 'count', 1),
    rest: out('it stands', 'time'),
    run: out('it runs', 'time'),
  },
  formula:
    'stands: τ₀ · ln((T₀ − {off}) / (T₀ − {on})); runs: τ₁ · ln(({on} − T₁) / ({off} − T₁)); T = {to} + {P} / ({UA} [+ 1.207 · {q}]), τ = {k} · 1207 · {V} / the same',
  source: 'Balance of heat of a mixed room, straight; 6 to 10 starts an hour as the most: common practice, no source',
  run({ on, off, P, to, UA, q, V, k }) {
    if (on <= off) return 'It has to come on above where it goes off; this sum is for cooling.'
    const capacity = k * HEAT_OF_AIR_J_PER_LK * 1000 * V
    const rest = warmsInS(P, UA, capacity, { fromC: off, toC: on, outsideC: to })
    if (rest === Infinity) return 'Without the fan the room never comes to where it is switched on.'
    const lossWK = UA + HEAT_OF_AIR_J_PER_LK * q
    const endC = to + P / lossWK
    if (endC >= off) return 'With the fan the room never comes down to where it is switched off: it runs for ever.'
    const run = (capacity / lossWK) * Math.log((on - endC) / (off - endC))
    return { starts: 3600 / (rest + run), rest, run }
  },
  verdict: (_given, { starts }) =>
    starts > 10 ? 'Too many: widen the band, slow the fan, or set least times.' : 'A motor bears that.',
})
