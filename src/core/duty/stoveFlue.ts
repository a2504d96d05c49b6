import { lostSensorPct } from '@/core/brief/lostSensor'
import { ask, bareResponse, target, type DutyPlan } from '@/core/duty/plan'

const FLOOR_PCT = 40

export const stoveFlue: DutyPlan = {
  questions: [
    ask.choice(
      'moves',
      'What does the fan move?',
      'room',
      [
        ['room', 'room air over the stove'],
        ['flue', 'flue gas up the flue'],
      ],
      'Which way is right when the fire dies hangs on it: find out before anything else.',
    ),
    ask.number(
      'normal',
      'Metal at the probe in a normal fire',
      'temperature',
      65,
      [30, 300],
      '65 °C stands in; measure it with an infrared thermometer.',
    ),
    ask.number(
      'hardest',
      'The same in the hardest firing',
      'temperature',
      120,
      [40, 500],
      'The probe’s limit cannot be held against it.',
    ),
    ask.safety('alarm', 'Is there a carbon monoxide alarm in the room?', false, 'Count it as not there.'),
  ],
  follows(answers) {
    const [normal, hardest] = [answers.number('normal') ?? 65, answers.number('hardest')]
    const moves = answers.choice('moves')
    return {
      targets: [
        target(
          'temperature',
          normal - 20,
          Math.max(normal, hardest ?? normal + 60),
          hardest === null ? null : hardest + 20,
          'Metal where the probe sits',
        ),
      ],
      least: null,
      most: null,
      cautions: [
        ...(moves === 'room'
          ? []
          : [
              {
                title: 'It moves flue gas.',
                detail:
                  'A flue fan that stops on embers can let carbon monoxide into the room: it runs on when the flue has cooled.',
                isGrave: true,
              },
            ]),
        ...(answers.yes('alarm')
          ? []
          : [{ title: 'No carbon monoxide alarm.', detail: 'Fit one before the fan is tried.', isGrave: true }]),
      ],
      later: [
        'Spots for the probe: mild and hard readings, against what it survives.',
        'Spillage test by a certified person.',
      ],
    }
  },
  response(answers) {
    const normal = answers.number('normal') ?? 65
    const inputs = [
      {
        id: 'metal',
        kind: 'temperature' as const,
        name: 'metal at the probe',
        from: 0,
        to: Math.max(200, normal * 2),
        lostPct: lostSensorPct('stove-flue', FLOOR_PCT),
      },
    ]
    // Room air stops as the fire dies, to keep heat; flue gas runs on for 45 minutes (common practice, no source).
    return bareResponse(FLOOR_PCT, {
      inputs,
      floor: { speedPct: FLOOR_PCT, reasons: [], offAllowed: true },
      rules: [
        answers.choice('moves') === 'flue'
          ? { id: 'draw', kind: 'hold-after-fall', input: 'metal', armAbove: normal - 15, speedPct: 70, holdS: 2700 }
          : {
              id: 'blow',
              kind: 'differential',
              input: 'metal',
              action: 'direct',
              onAt: normal,
              offAt: normal - 8,
              speedPct: 70,
              minOnS: 60,
              minOffS: 60,
            },
      ],
    })
  },
  signal: { kind: 'phase-cut', supplyV: 230 },
}
