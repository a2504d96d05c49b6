import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

/** Livestock without an alarm that reaches a person, or without an independent backup: hours without air kill. What nobody has looked at yet is
 *  an open question, no judgement. */
export const noAlarm: Judge = ({ brief, kit }) => {
  if (brief.duty !== 'livestock' || kit.mounting?.backup === 'no') return []
  const lacks = [
    ...(brief.answers?.alarm === false ? ['alarm' as const] : []),
    ...(brief.answers?.backup === false ? ['backup' as const] : []),
  ]
  return lacks.length === 0
    ? []
    : [
        {
          id: 'no-alarm',
          severity: 'hurts',
          path: 'brief.answers',
          says: says('no-alarm', { lacks }),
          figure: { value: lacks.length, worse: 1, step: 0.5 },
          cure: null,
        },
      ]
}
