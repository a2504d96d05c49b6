import { choice, defineCalculation, number, out } from '@/core/calculation/calculation'
import { CONVENTION_IDS, CONVENTIONS, pointsFrom } from '@/core/response/conventions'

export const differentialPoints = defineCalculation({
  id: 'differential-points',
  name: 'Set point and differential as points',
  group: 'signals',
  words: 'hysteresis on off switching convention thermostat band return difference',
  inputs: {
    c: choice(
      'what the leaflet means',
      'on-at-set',
      CONVENTION_IDS.map((id) => [id, CONVENTIONS[id].name] as const),
    ),
    s: choice('action', 'direct', [
      ['direct', 'on when warm'],
      ['reverse', 'on when cold'],
    ]),
    S: number('set point', 'temperature', 20),
    d: number('differential', 'temperatureDifference', 1, [0, 100]),
  },
  outputs: { on: out('on at', 'temperature', 2), off: out('off at', 'temperature', 2) },
  formula: '{c}, {s}: {S}, {d}',
  source: 'Definition of each convention; a difference has no 32 in it',
  run({ c, s, S, d }) {
    const { onAt, offAt } = pointsFrom(c, s, S, d)
    return { on: onAt, off: offAt }
  },
})
