import { lostSensorPct } from '@/core/brief/lostSensor'
import { ask, bareResponse, target, type DutyPlan } from '@/core/duty/plan'

const FLOOR_PCT = 20

export const doorCurtain: DutyPlan = {
  questions: [
    ask.number('room', 'Temperature wanted behind the door', 'temperature', 18, [5, 26], '18 °C stands in.'),
    ask.choice(
      'heater',
      'What heats it?',
      'electric',
      [
        ['electric', 'electric elements'],
        ['water', 'hot water'],
        ['none', 'nothing: air only'],
      ],
      'Treat it as electric: the heater purge stays.',
    ),
    ask.yes('contact', 'Is there a contact on the door?', true, 'It will answer to temperature alone.'),
  ],
  follows(answers) {
    const room = answers.number('room') ?? 18
    return {
      targets: [target('temperature', room - 1, room + 2, room + 6, 'People who sit near the door')],
      least: null,
      most: null,
      cautions:
        answers.choice('heater') === 'electric' || answers.choice('heater') === null
          ? [
              {
                title: 'Leave the heater its air.',
                detail: 'Not less than 45 % for 30 to 200 s after heat was given, even when it is switched off.',
                isGrave: true,
              },
            ]
          : [],
      later: [
        'Throw of the air: it must reach the floor with the door open.',
        'Time the elements take to cool, by stopwatch.',
      ],
    }
  },
  response(answers) {
    const room = answers.number('room') ?? 18
    const isElectric = (answers.choice('heater') ?? 'electric') === 'electric'
    const hasContact = answers.yes('contact') ?? false
    return bareResponse(FLOOR_PCT, {
      inputs: [
        {
          id: 'hall',
          kind: 'temperature',
          name: 'hall temperature',
          from: room - 13,
          to: room + 10,
          lostPct: lostSensorPct('door-curtain', FLOOR_PCT),
        },
        ...(hasContact ? [{ id: 'door', kind: 'switch' as const, name: 'door contact' }] : []),
        ...(isElectric ? [{ id: 'heat', kind: 'switch' as const, name: 'heat given' }] : []),
      ],
      floor: { speedPct: FLOOR_PCT, reasons: [], offAllowed: true },
      rules: [
        {
          id: 'cold',
          kind: 'differential',
          input: 'hall',
          action: 'reverse',
          onAt: room - 1,
          offAt: room,
          speedPct: 40,
          minOnS: 0,
          minOffS: 0,
        },
        ...(hasContact
          ? [
              {
                id: 'open',
                kind: 'switch' as const,
                input: 'door',
                speedPct: 100,
                onDelayS: 0,
                overrun: { kind: 'fixed' as const, holdS: 60 },
              },
            ]
          : []),
      ],
      ...(isElectric ? { heaterPurge: { input: 'heat', speedPct: 45, holdS: 120 } } : {}),
    })
  },
  signal: { kind: 'volts', convention: 'ten' },
}
