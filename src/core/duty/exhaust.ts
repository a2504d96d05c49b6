import { lostSensorPct } from '@/core/brief/lostSensor'
import { openFlueCautions, openFlueLater, openFlueQuestion } from '@/core/duty/openFlue'
import { ask, bareResponse, flowForHeat, target, type DutyPlan } from '@/core/duty/plan'

const FLOOR_PCT = 20

export const exhaust: DutyPlan = {
  questions: [
    ask.number(
      'stands',
      'Hottest that the things inside stand',
      'temperature',
      40,
      [0, 120],
      'No limit to hold the ramp against.',
    ),
    ask.safety(
      'fumes',
      'Do fumes or dust have to go even when it is cool?',
      false,
      'The floor may be too low for them.',
    ),
    ask.number('idle', 'Least flow then', 'flow', 30, [0, 100000], 'The floor has no required flow among its reasons.'),
    openFlueQuestion,
  ],
  follows(answers) {
    const { heatLoadW, allowedRiseK } = answers.space
    const stands = answers.number('stands')
    const idle = answers.number('idle')
    const isFlued = answers.yes('openFlue')
    return {
      targets: [
        target(
          'temperature',
          10,
          stands === null ? 30 : Math.max(10, stands - 10),
          stands,
          'What stands in it, with 10 K to spare',
        ),
      ],
      least:
        answers.yes('fumes') !== false && idle
          ? { flowLs: idle, why: 'Fumes and dust while it is cool', source: 'as asked for' }
          : null,
      most: flowForHeat(heatLoadW, allowedRiseK, 'Carries the heat away'),
      cautions: openFlueCautions(isFlued),
      later: ['Where the air comes in: as much inlet as outlet.', ...openFlueLater(isFlued)],
    }
  },
  response: () =>
    bareResponse(FLOOR_PCT, {
      inputs: [
        {
          id: 'roomTemp',
          kind: 'temperature',
          name: 'room temperature',
          from: 10,
          to: 50,
          lostPct: lostSensorPct('exhaust', FLOOR_PCT),
        },
      ],
      rules: [
        {
          id: 'temp',
          kind: 'ramp',
          input: 'roomTemp',
          startAt: 26,
          fullAt: 34,
          fromPct: FLOOR_PCT,
          toPct: 100,
          below: 'from',
        },
      ],
    }),
  signal: { kind: 'volts', convention: 'ten' },
}
