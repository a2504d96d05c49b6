import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { humidityRatio } from '@/core/physics/moistAir'

/** What one L/s of outside air takes out of a room, g/h; negative where it brings water in. */
const waterTakenGH = (insideRatio: number, outsideRatio: number): number =>
  1.2 * 3.6 * (insideRatio - outsideRatio) * 1000

export const outsideAirDries = defineCalculation({
  id: 'outside-air-dries',
  name: 'Does outside air dry this room?',
  group: 'air',
  words: 'humidity moisture muggy damp cellar drying',
  inputs: {
    ti: number('inside temperature', 'temperature', 22, [-20, 60]),
    RHi: number('inside humidity', 'humidity', 60),
    to: number('outside temperature', 'temperature', 12, [-40, 50]),
    RHo: number('outside humidity', 'humidity', 85),
  },
  outputs: {
    Wi: out('water inside', 'humidityRatio'),
    Wo: out('water outside', 'humidityRatio'),
    g: out('taken out by each l/s', 'moistureRate', 1),
  },
  formula:
    'W = 0.621945 · pw / (p − pw), inside at {ti} and {RHi}, outside at {to} and {RHo}; taken out = 1.2 · 3.6 · (Wi − Wo)',
  source: 'ASHRAE Handbook Fundamentals, Psychrometrics; it dries only while outside holds less water',
  run({ ti, RHi, to, RHo }) {
    const [inside, outside] = [humidityRatio(ti, RHi), humidityRatio(to, RHo)]
    return { Wi: inside * 1000, Wo: outside * 1000, g: waterTakenGH(inside, outside) }
  },
})
