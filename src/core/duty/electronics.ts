import { lostSensorPct } from '@/core/brief/lostSensor'
import { ask, bareResponse, flowForHeat, target, type DutyPlan } from '@/core/duty/plan'

const FLOOR_PCT = 30

export const electronics: DutyPlan = {
  questions: [
    ask.number(
      'limit',
      'Hottest the component may be',
      'temperature',
      60,
      [30, 150],
      'Full speed cannot be held against it: read the plate.',
    ),
    ask.number('margin', 'To be kept below it', 'temperatureDifference', 5, [0, 40], '5 K stands in.'),
    ask.safety(
      'failsLow',
      'Does the board fall back to its base duty when the probe is lost?',
      true,
      'Take it that it does.',
    ),
  ],
  follows(answers) {
    const limit = answers.number('limit')
    const margin = answers.number('margin') ?? 5
    const { heatLoadW, allowedRiseK } = answers.space
    return {
      targets: [target('temperature', 10, limit === null ? 45 : limit - margin - 10, limit, 'Plate of the component')],
      least: null,
      most: flowForHeat(heatLoadW, allowedRiseK, 'Carries the heat away'),
      cautions:
        answers.yes('failsLow') === false
          ? []
          : [
              {
                title: 'It fails low.',
                detail: 'With the probe lost it runs at its base duty: choose one that still protects the component.',
                isGrave: false,
              },
            ],
      later: ['Speed and rpm at every step, against the rating.'],
    }
  },
  response(answers) {
    const full = (answers.number('limit') ?? 60) - (answers.number('margin') ?? 5)
    return bareResponse(FLOOR_PCT, {
      inputs: [
        {
          id: 'sink',
          kind: 'temperature',
          name: 'heat-sink temperature',
          from: 20,
          to: Math.max(80, full + 20),
          lostPct: lostSensorPct('electronics', FLOOR_PCT),
        },
      ],
      rules: [
        // Common practice, no source: 15 K of ramp, full under the limit.
        {
          id: 'temp',
          kind: 'ramp',
          input: 'sink',
          startAt: full - 15,
          fullAt: full,
          fromPct: FLOOR_PCT,
          toPct: 100,
          below: 'from',
        },
      ],
    })
  },
  signal: { kind: 'pwm', inverted: false },
}
