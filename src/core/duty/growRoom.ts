import { lostSensorPct } from '@/core/brief/lostSensor'
import { heatRemoval } from '@/core/calculation/flow/heatRemoval'
import { growRoom as growRoomCalculation } from '@/core/calculation/required/growRoom'
import { openFlueCautions, openFlueLater, openFlueQuestion } from '@/core/duty/openFlue'
import { ask, bareResponse, target, type DutyPlan, type Flow } from '@/core/duty/plan'
import { flowForHeatLs } from '@/core/physics/heatFlow'
import { humidityRatio } from '@/core/physics/moistAir'

const FLOOR_PCT = 20

export const growRoom: DutyPlan = {
  questions: [
    ask.number('temp', 'Temperature wanted', 'temperature', 22, [5, 40], '22 °C stands in; ask the grower.'),
    ask.number('damp', 'Humidity wanted', 'humidity', 65, [20, 98], '65 % stands in; ask the grower.'),
    ask.number('water', 'Water given off', 'moistureRate', 400, [0, 100000], 'No flow for the moisture follows.'),
    ask.number(
      'air',
      'Temperature of the air coming in',
      'temperature',
      16,
      [-30, 45],
      'No flow for the moisture follows.',
    ),
    ask.number(
      'airDamp',
      'Humidity of the air coming in',
      'humidity',
      60,
      [5, 100],
      'No flow for the moisture follows.',
    ),
    ask.safety('co2', 'Is carbon dioxide dosed?', false, 'Treat it as dosed: a monitor before anyone goes in.'),
    openFlueQuestion,
  ],
  follows(answers) {
    const [temp, damp] = [answers.number('temp') ?? 22, answers.number('damp') ?? 65]
    const [water, air, airDamp] = [answers.number('water'), answers.number('air'), answers.number('airDamp')]
    const { heatLoadW, allowedRiseK } = answers.space
    const heat =
      heatLoadW !== null && allowedRiseK !== null && heatLoadW > 0 ? flowForHeatLs(heatLoadW, allowedRiseK) : 0
    const dry =
      air === null || airDamp === null ? NaN : (humidityRatio(temp, damp) - humidityRatio(air, airDamp)) * 1000
    const moisture = water && dry > 0 ? water / (1.2 * 3.6 * dry) : 0
    const by: Flow['by'] =
      heat >= moisture
        ? { calculation: heatRemoval, values: { P: heatLoadW!, dT: allowedRiseK! } }
        : {
            calculation: growRoomCalculation,
            values: { P: heatLoadW ?? 0, m: water!, ti: temp, RHi: damp, to: air!, RHo: airDamp! },
          }
    const isFlued = answers.yes('openFlue')
    return {
      targets: [
        target('temperature', temp - 3, temp + 3, temp + 7, 'What the crop wants; ask the grower'),
        target('humidity', Math.max(20, damp - 8), Math.min(99, damp + 5), null, 'What the crop wants; ask the grower'),
      ],
      least: null,
      most:
        Math.max(heat, moisture) > 0
          ? {
              flowLs: Math.max(heat, moisture),
              why: heat >= moisture ? 'Carries the heat of the lamps away' : 'Carries the moisture out',
              source: 'energy and water balance',
              by,
            }
          : null,
      cautions: openFlueCautions(isFlued),
      later: [
        ...(dry <= 0 ? ['The air coming in holds as much water as the room: it cannot dry it.'] : []),
        'Suction of the room with make-up running: the door pulls inwards.',
        ...(answers.yes('co2') === false ? [] : ['Carbon dioxide monitor with an alarm, tried.']),
        ...openFlueLater(isFlued),
      ],
    }
  },
  response(answers) {
    const temp = answers.number('temp') ?? 22
    return bareResponse(FLOOR_PCT, {
      inputs: [
        {
          id: 'roomTemp',
          kind: 'temperature',
          name: 'room temperature',
          from: temp - 12,
          to: temp + 14,
          lostPct: lostSensorPct('grow-room', FLOOR_PCT),
        },
      ],
      rules: [
        {
          id: 'temp',
          kind: 'ramp',
          input: 'roomTemp',
          startAt: temp,
          fullAt: temp + 5,
          fromPct: FLOOR_PCT,
          toPct: 100,
          below: 'from',
        },
      ],
    })
  },
  signal: { kind: 'volts', convention: 'ten' },
}
