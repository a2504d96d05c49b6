import { lostSensorPct } from '@/core/brief/lostSensor'
import { ASHRAE_62_2, ENGLAND } from '@/core/calculation/required/dwellingRules'
import { wholeDwellingAshrae } from '@/core/calculation/required/wholeDwellingAshrae'
import { wholeDwellingEngland, wholeDwellingEnglandLs } from '@/core/calculation/required/wholeDwellingEngland'
import { openFlueCautions, openFlueLater, openFlueQuestion } from '@/core/duty/openFlue'
import { ask, bareResponse, target, type DutyPlan, type Flow } from '@/core/duty/plan'

const FLOOR_PCT = 30

/** Season profiles, from the one that sheds most heat to the one that holds most. */
export const PROFILES = [
  ['cool', 'cool: sheds heat early'],
  ['normal', 'normal'],
  ['warm', 'warm: holds heat'],
] as const

export const balanced: DutyPlan = {
  questions: [
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
    ask.number('bedrooms', 'Bedrooms', 'count', 2, [1, 20], 'No flow follows.'),
    ask.number('floorArea', 'Floor area', 'area', 75, [5, 2000], 'No flow follows.'),
    ask.choice('winterProfile', 'Which profile in the cold season?', 'warm', PROFILES, 'Not looked at.'),
    ask.choice('summerProfile', 'Which profile in the warm season?', 'normal', PROFILES, 'Not looked at.'),
    ask.yes('heatPump', 'Does a heat pump sit in its air?', false, 'Keep at least 30 % while it may run.'),
    ask.yes('asleep', 'Does anyone sleep near it?', true, 'Noise at night is not looked at.'),
    openFlueQuestion,
  ],
  follows(answers) {
    const [rule, bedrooms, area] = [answers.choice('rule'), answers.number('bedrooms'), answers.number('floorArea')]
    const isFlued = answers.yes('openFlue')
    const isKnown = bedrooms !== null && area !== null
    const whole: Flow | null =
      !isKnown || rule === null || rule === 'own'
        ? null
        : rule === 'england'
          ? {
              flowLs: wholeDwellingEnglandLs(Math.max(1, Math.round(bedrooms)), area),
              why: 'Whole dwelling',
              source: ENGLAND.edition,
              by: { calculation: wholeDwellingEngland, values: { b: Math.max(1, Math.round(bedrooms)), A: area } },
            }
          : {
              flowLs: ASHRAE_62_2.perM2Ls * area + ASHRAE_62_2.perPersonLs * (Math.round(bedrooms) + 1),
              why: 'Whole dwelling',
              source: ASHRAE_62_2.edition,
              by: { calculation: wholeDwellingAshrae, values: { b: Math.round(bedrooms), A: area } },
            }
    return {
      targets: [
        target('temperature', 19, 23, 27, 'People at home'),
        target('humidity', 35, 60, 70, 'Dry throats below, mould above'),
      ],
      least: whole,
      most: whole
        ? {
            ...whole,
            flowLs: whole.flowLs * 1.3,
            why: 'Boost: 30 % over the whole dwelling',
            source: 'common practice, no source',
          }
        : null,
      cautions: openFlueCautions(isFlued),
      // Common practice, no source.
      floors:
        answers.yes('heatPump') === false
          ? []
          : [{ kind: 'equipment', speedPct: 30, note: 'heat pump in its air' } as const],
      later: [
        'Supply equal to extract, terminal by terminal and in total.',
        'Filters clean before anything is measured; fans stopped before the filter door is opened.',
        ...(answers.yes('asleep') === false ? [] : ['Sound in the bedrooms at the floor.']),
        ...openFlueLater(isFlued),
      ],
    }
  },
  response: (answers) =>
    bareResponse(FLOOR_PCT, {
      inputs: [
        {
          id: 'room',
          kind: 'temperature',
          name: 'room temperature',
          from: 14,
          to: 32,
          lostPct: lostSensorPct('balanced', FLOOR_PCT),
        },
        { id: 'boost', kind: 'switch', name: 'boost button' },
        ...(answers.yes('heatPump') ? [{ id: 'pump', kind: 'switch' as const, name: 'heat-pump contact' }] : []),
      ],
      rules: [
        {
          id: 'boost',
          kind: 'switch',
          input: 'boost',
          speedPct: 80,
          onDelayS: 0,
          overrun: { kind: 'fixed', holdS: 3600 },
        },
      ],
      ...(answers.yes('heatPump') ? { heaterPurge: { input: 'pump', speedPct: 30, holdS: 0 } } : {}),
    }),
  signal: { kind: 'volts', convention: 'ten' },
}
