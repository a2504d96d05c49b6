import type { Judge } from '@/core/advise/judgement'

/** Livestock without an alarm that reaches a person, or without an independent backup: hours without air kill. What nobody has looked at yet is
 *  an open question, no judgement. */
export const noAlarm: Judge = ({ brief, kit }) => {
  if (brief.duty !== 'livestock' || kit.mounting?.backup === 'no') return []
  const lacks = [
    ...(brief.answers?.alarm === false ? ['an alarm that reaches a person'] : []),
    ...(brief.answers?.backup === false ? ['a thermostat on its own supply'] : []),
  ]
  return lacks.length === 0
    ? []
    : [
        {
          id: 'no-alarm',
          severity: 'hurts',
          path: 'brief.answers',
          title: `There is not yet ${lacks.join(', nor ')}.`,
          detail:
            'When this controller or its supply fails, animals die within hours. Fit it first, try it, then answer so under Brief.',
          figure: { value: lacks.length, worse: 1, step: 0.5 },
          cure: null,
        },
      ]
}
