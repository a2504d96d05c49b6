import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

/** A stove, and it is known that no carbon monoxide alarm hangs there. Not known yet is an open question, no judgement. */
export const noCoAlarm: Judge = ({ brief, kit }) =>
  brief.duty === 'stove-flue' && brief.answers?.alarm === false && kit.mounting?.['co-alarm'] !== 'no'
    ? [
        {
          id: 'no-co-alarm',
          severity: 'hurts',
          path: 'brief.answers.alarm',
          says: says('no-co-alarm'),
          cure: null,
        },
      ]
    : []
