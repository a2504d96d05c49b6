import type { Judge } from '@/core/advise/judgement'

/** Livestock without an alarm that reaches a person, or without an independent backup: hours without air kill. */
export const noAlarm: Judge = ({ brief }) => {
  if (brief.duty !== 'livestock') return []
  const lacks = [
    ...(brief.answers?.alarm === true ? [] : ['an alarm that reaches a person']),
    ...(brief.answers?.backup === true ? [] : ['a thermostat on its own supply']),
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
          cure: null,
        },
      ]
}
