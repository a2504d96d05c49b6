import { lostSensorPct } from '@/core/brief/lostSensor'
import { houseAir } from '@/core/calculation/livestock/houseAir'
import { ask, bareResponse, target, type DutyPlan } from '@/core/duty/plan'
import { animal, ANIMAL_IDS, houseSplit, USUAL_FIGURES, type AnimalId } from '@/core/physics/animals'
import { co2FlowLs, moistureFlowLs } from '@/core/physics/balances'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'

const FLOOR_PCT = 65

export const livestock: DutyPlan = {
  questions: [
    ask.choice(
      'animal',
      'Which animals?',
      'calf',
      ANIMAL_IDS.map((id) => [id, animal(id).name] as const),
      'No least air follows.',
    ),
    ask.number('count', 'How many?', 'count', 20, [1, 1000000], 'No least air follows.'),
    ask.number('mass', 'Mass of each', 'mass', 60, [0.02, 1500], 'No least air follows.'),
    ask.number('house', 'Temperature wanted in the house', 'temperature', 12, [0, 38], '12 °C stands in.'),
    ask.number('winter', 'Outside in the cold season', 'temperature', 0, [-40, 25], '0 °C stands in.'),
    ask.safety(
      'backup',
      'Is there a thermostat on its own supply that brings full air?',
      false,
      'Count it as not there until it has been tried.',
    ),
    ask.safety('alarm', 'Is there an alarm that reaches a person?', false, 'Count it as not there until it has rung.'),
  ],
  follows(answers) {
    const [kind, count, mass] = [
      answers.choice('animal') as AnimalId | null,
      answers.number('count'),
      answers.number('mass'),
    ]
    const [house, winter] = [answers.number('house') ?? 12, answers.number('winter') ?? 0]
    const isKnown = kind !== null && count !== null && mass !== null
    const units = isKnown ? (count * animal(kind).heatW(mass, USUAL_FIGURES)) / 1000 : 0
    const split = isKnown ? houseSplit(animal(kind).like, units, house) : null
    const moisture = split
      ? moistureFlowLs(split.waterGH, { tempC: house, rhPct: 75 }, { tempC: winter, rhPct: 90 })
      : NaN
    const co2 = co2FlowLs(units, 3000, 400)
    const byMoisture = moisture > co2
    return {
      targets: [
        target('temperature', house - 3, house + 4, house + 10, 'Comfort of these animals; ask the keeper'),
        target('humidity', 50, 75, 85, 'Wet litter and sick lungs above 85'),
      ],
      least: split
        ? {
            flowLs: byMoisture ? moisture : co2,
            why: byMoisture ? 'Carries the moisture out in the cold season' : 'Keeps carbon dioxide under 3000 ppm',
            source: `CIGR 2002, from memory${kind !== null && animal(kind).isApproximate ? '; for ducklings an approximation, never a standard' : ''}`,
            by: {
              calculation: houseAir,
              values: {
                a: kind!,
                N: count!,
                m: mass!,
                gain: USUAL_FIGURES.gain,
                milk: USUAL_FIGURES.milk,
                eggs: USUAL_FIGURES.eggs,
                preg: USUAL_FIGURES.pregnant,
                n: USUAL_FIGURES.feed,
                M: USUAL_FIGURES.feedEnergy,
                ti: house,
                to: winter,
              },
            },
          }
        : null,
      most: split
        ? {
            flowLs: split.sensibleW / (HEAT_OF_AIR_J_PER_LK * 3),
            why: 'Holds the house within 3 K of outside in warm weather',
            source: 'energy balance',
          }
        : null,
      cautions: [
        ...(answers.yes('backup')
          ? []
          : [
              {
                title: 'No independent backup.',
                detail:
                  'When the controller fails the house stands without air: fit a thermostat on its own supply first.',
                isGrave: true,
              },
            ]),
        ...(answers.yes('alarm')
          ? []
          : [
              {
                title: 'No alarm that reaches a person.',
                detail: 'Hours without air kill. A lamp in the yard is not an alarm.',
                isGrave: true,
              },
            ]),
      ],
      later: [
        'Time the shutters take to open, by stopwatch.',
        'Lowest speed at which the shutters stay open.',
        'The backup, with this controller off; the alarm, with a probe unplugged.',
      ],
    }
  },
  response(answers) {
    const house = answers.number('house') ?? 12
    return bareResponse(FLOOR_PCT, {
      inputs: [
        {
          id: 'house',
          kind: 'temperature',
          name: 'house',
          from: house - 15,
          to: house + 20,
          lostPct: lostSensorPct('livestock', FLOOR_PCT),
        },
      ],
      rules: [
        {
          id: 'warm',
          kind: 'ramp',
          input: 'house',
          startAt: house,
          fullAt: house + 4,
          fromPct: FLOOR_PCT,
          toPct: 100,
          below: 'from',
        },
      ],
      startKick: { speedPct: 100, holdS: 8 },
    })
  },
  signal: { kind: 'volts', convention: 'ten' },
}
