import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { flowForHeatLs } from '@/core/physics/heatFlow'
import { humidityRatio } from '@/core/physics/moistAir'

export const growRoom = defineCalculation({
  id: 'grow-room',
  name: 'Grow room: air for lamps and leaves',
  group: 'required flow',
  words: 'lamp heat transpiration moisture plants mushrooms exhaust',
  inputs: {
    P: number('lamps and drivers', 'power', 1200),
    m: number('water given off', 'moistureRate', 600),
    ti: number('inside temperature', 'temperature', 26, [0, 50]),
    RHi: number('inside humidity', 'humidity', 65),
    to: number('outside temperature', 'temperature', 20, [-40, 50]),
    RHo: number('outside humidity', 'humidity', 60),
  },
  outputs: { heat: out('for the heat', 'flow'), water: out('for the moisture', 'flow'), q: out('the greater', 'flow') },
  formula:
    'heat: ({P} − 0.68 · {m}) / (1.2072 · ({ti} − {to})); moisture: {m} / (1.2 · 3.6 · (W({ti}, {RHi}) − W({to}, {RHo})))',
  source: 'Energy and water balance; evaporating water takes 0.68 Wh a gram',
  run({ P, m, ti, RHi, to, RHo }) {
    const dW = (humidityRatio(ti, RHi) - humidityRatio(to, RHo)) * 1000
    if (ti <= to) return 'Outside is as warm as inside or warmer: air cannot carry the heat out; it needs cooling.'
    if (m > 0 && dW <= 0)
      return 'Outside holds as much water as inside: air cannot carry the moisture out; it needs drying.'
    const heat = flowForHeatLs(Math.max(0, P - 0.68 * m), ti - to)
    const water = m > 0 ? m / (1.2 * 3.6 * dW) : 0
    return { heat, water, q: Math.max(heat, water) }
  },
})
