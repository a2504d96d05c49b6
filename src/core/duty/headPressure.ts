import { lostSensorPct } from '@/core/brief/lostSensor'
import { ask, bareResponse, flowForHeat, target, type DutyPlan } from '@/core/duty/plan'
import { scaleMark } from '@/core/physics/condenserScale'
import { REFRIGERANTS, type Refrigerant } from '@/core/physics/saturation'
import { formatNumber } from '@/core/quantity/format'

const FLOOR_PCT = 30
/** Common practice, no source: sleeve bearings need the higher lowest speed. */
const SLEEVE_FLOOR_PCT = 40

export const headPressure: DutyPlan = {
  questions: [
    ask.choice(
      'fluid',
      'Which refrigerant?',
      'R-134a',
      REFRIGERANTS.map((id) => [id, id] as const),
      'No pressure beside the target; read the plate.',
    ),
    ask.number(
      'condense',
      'Condensing temperature to hold',
      'temperature',
      38,
      [10, 70],
      'The usual 38 °C stands in; ask whoever set up the plant.',
    ),
    ask.number('rejected', 'Heat the condenser gives off', 'power', 8000, [0, 1000000], 'No flow at full follows.'),
    ask.choice(
      'circuits',
      'How many circuits?',
      '1',
      [
        ['1', 'one'],
        ['2', 'two'],
        ['3', 'three'],
      ],
      'One probe stands in; each circuit wants its own.',
    ),
    ask.yes(
      'heatPump',
      'Does it also heat, or defrost by reversing?',
      false,
      'Full speed in heating and defrost is not wired.',
    ),
    ask.yes(
      'sleeve',
      'Sleeve bearings?',
      false,
      'Sleeve bearings need the higher lowest speed: take that until it is known.',
    ),
  ],
  follows(answers) {
    const condense = answers.number('condense') ?? 38
    const fluid = answers.choice('fluid') as Refrigerant | null
    const rejected = answers.number('rejected')
    const kpa = (fluid && scaleMark(fluid, condense, 0).gaugeKpa) ?? NaN
    return {
      targets: [
        target(
          'temperature',
          condense - 6,
          condense + 5,
          condense + 17,
          Number.isNaN(kpa)
            ? 'Condensing band'
            : `Condensing band; ${fluid} at ${formatNumber(condense, 0)} °C is ${formatNumber(kpa, 0)} kPa on the gauge`,
        ),
      ],
      least: null,
      most: flowForHeat(rejected, 10, 'Heat rejected at 10 K over the coil'),
      cautions: [],
      floors:
        answers.yes('sleeve') === false
          ? []
          : [{ kind: 'bearings', speedPct: SLEEVE_FLOOR_PCT, note: 'sleeve bearings' } as const],
      later: [
        'Gauges on, by certified people: saturation, condensing over ambient, subcooling.',
        'The spot that reads 38 °C when the pressures are right: return bend or between fins, upper third.',
        ...(answers.yes('heatPump') === false ? [] : ['Full-speed contact for heating and defrost.']),
      ],
    }
  },
  response(answers) {
    const circuits = Number(answers.choice('circuits') ?? '1')
    const lowPct = answers.yes('sleeve') === false ? FLOOR_PCT : SLEEVE_FLOOR_PCT
    const lostPct = lostSensorPct('head-pressure', lowPct)
    const probes = Array.from({ length: circuits }, (_, index) => ({
      id: `coil${index + 1}`,
      kind: 'temperature' as const,
      name: circuits === 1 ? 'coil' : `coil of circuit ${index + 1}`,
      from: 0,
      to: 60,
      ...(circuits === 1 ? { lostPct } : {}),
    }))
    const governs = circuits === 1 ? 'coil1' : 'coil'
    return bareResponse(lowPct, {
      inputs: [
        ...probes,
        ...(circuits === 1
          ? []
          : [
              {
                id: 'coil',
                kind: 'temperature' as const,
                name: 'hottest coil',
                from: 0,
                to: 60,
                lostPct,
                combines: { of: probes.map(({ id }) => id), how: 'highest' as const },
              },
            ]),
        ...(answers.yes('heatPump') ? [{ id: 'defrost', kind: 'switch' as const, name: 'defrost contact' }] : []),
      ],
      rules: [
        // Common practice, no source: 70 to 100 °F, linear.
        {
          id: 'head',
          kind: 'ramp',
          input: governs,
          startAt: 21.1,
          fullAt: 37.8,
          fromPct: lowPct,
          toPct: 100,
          below: 'from',
        },
        ...(answers.yes('heatPump')
          ? [
              {
                id: 'defrost',
                kind: 'switch' as const,
                input: 'defrost',
                speedPct: 100,
                onDelayS: 0,
                overrun: { kind: 'none' as const },
              },
            ]
          : []),
      ],
      startKick: { speedPct: 100, holdS: 2 },
    })
  },
  signal: { kind: 'phase-cut', supplyV: 230 },
}
