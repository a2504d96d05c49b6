import type { Judge } from '@/core/advise/judgement'

/** A stove, and it is known that no carbon monoxide alarm hangs there. Not known yet is an open question, no judgement. */
export const noCoAlarm: Judge = ({ brief, kit }) =>
  brief.duty === 'stove-flue' && brief.answers?.alarm === false && kit.mounting?.['co-alarm'] !== 'no'
    ? [
        {
          id: 'no-co-alarm',
          severity: 'hurts',
          path: 'brief.answers.alarm',
          title: 'There is no carbon monoxide alarm.',
          detail: 'Fit one before the fan is tried. A fan never makes a stove safe.',
          cure: null,
        },
      ]
    : []
