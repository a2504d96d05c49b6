import { lostSensorPct } from '@/core/brief/lostSensor'
import { ASHRAE_62_2, ENGLAND, WET_ROOMS } from '@/core/calculation/required/dwellingRules'
import { wetRoomEngland } from '@/core/calculation/required/wetRoomEngland'
import { openFlueCautions, openFlueLater, openFlueQuestion } from '@/core/duty/openFlue'
import { ask, bareResponse, target, type DutyPlan } from '@/core/duty/plan'

type WetRoom = (typeof WET_ROOMS)[number][0]
const TRICKLE_PCT = 20

export const extract: DutyPlan = {
  questions: [
    ask.choice(
      'room',
      'Which room?',
      'bathroom',
      [...WET_ROOMS, ['showers', 'changing room with showers']],
      'No flow follows.',
    ),
    ask.choice(
      'rule',
      'Whose rule counts here?',
      'england',
      [
        ['england', 'England, Approved Document F, 2021'],
        ['ashrae', 'ASHRAE 62.2'],
        ['own', 'another; typed in by hand'],
      ],
      'No flow follows; ask building control.',
    ),
    ask.number(
      'showers',
      'Shower heads in use at once',
      'count',
      2,
      [0, 60],
      'Only for changing rooms; the flow stays open.',
    ),
    ask.number(
      'background',
      'Least flow while nobody is there',
      'flow',
      8,
      [0, 1000],
      'The floor has no required flow among its reasons.',
    ),
    ask.yes('asleep', 'Does anyone sleep near it?', false, 'Noise at night is not looked at.'),
    openFlueQuestion,
  ],
  follows(answers) {
    const [room, rule, showers] = [answers.choice('room'), answers.choice('rule'), answers.number('showers')]
    const background = answers.number('background')
    const isFlued = answers.yes('openFlue')
    const onDemandLs: Partial<Record<string, number>> = ASHRAE_62_2.demandLs
    const demandLs = room === null ? undefined : onDemandLs[room]
    const byRule =
      room === null || rule === null || rule === 'own'
        ? null
        : room === 'showers'
          ? showers !== null && showers > 0
            ? {
                flowLs: 15 * showers,
                why: `15 l/s for each of ${showers} shower heads`,
                source: 'Approved Document F volume 2, from memory',
              }
            : null
          : rule === 'england'
            ? {
                flowLs: ENGLAND.intermittentLs[room as WetRoom],
                why: 'Boost of this room',
                source: ENGLAND.edition,
                by: { calculation: wetRoomEngland, values: { room } },
              }
            : demandLs === undefined
              ? null
              : { flowLs: demandLs, why: 'On demand, this room', source: ASHRAE_62_2.edition }
    return {
      targets: [target('humidity', 40, 70, 85, 'Mould and peeling paint above 85 for long')],
      least: background ? { flowLs: background, why: 'Least air while nobody is there', source: 'as asked for' } : null,
      most: byRule,
      cautions: openFlueCautions(isFlued),
      later: [
        ...(rule === 'ashrae' && room !== null && room !== 'showers' && demandLs === undefined
          ? ['ASHRAE 62.2 has no figure of its own for this room that we could source: find out what holds here.']
          : []),
        'Undercut of the door and background inlets: the air must come from somewhere.',
        ...(answers.yes('asleep') ? ['Sound at the trickle, where people sleep.'] : []),
        ...openFlueLater(isFlued),
      ],
    }
  },
  response: () =>
    bareResponse(TRICKLE_PCT, {
      inputs: [
        {
          id: 'humidity',
          kind: 'humidity',
          name: 'humidity',
          from: 40,
          to: 100,
          lostPct: lostSensorPct('extract', TRICKLE_PCT),
        },
        { id: 'live', kind: 'switch', name: 'light switch' },
      ],
      rules: [
        {
          id: 'rapid-rise',
          kind: 'rapid-rise',
          input: 'humidity',
          windowS: 300,
          rise: 8,
          release: 3,
          speedPct: 90,
          capS: 1800,
        },
        {
          id: 'visit',
          kind: 'switch',
          input: 'live',
          speedPct: 90,
          onDelayS: 60,
          overrun: { kind: 'matched', factor: 1, floorS: 0, capS: 900 },
        },
      ],
    }),
  signal: { kind: 'volts', convention: 'ten' },
}
