import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { highestAskPct } from '@/core/rules/table'
import { ruleName } from '@/core/sentences/words'

/** A rule that asks for more than the ceiling is cut there: the boost on paper is not the boost that comes. */
export const askAboveCeiling: Judge = ({ response }) =>
  response.rules.flatMap((rule, index) => {
    const mostPct = highestAskPct(rule)
    if (rule.off || response.ceiling.how === 'rescale' || mostPct <= response.ceiling.speedPct) return []
    return [
      {
        id: `ask-above-ceiling-${rule.id}`,
        severity: 'know' as const,
        path: `response.rules.${index}`,
        says: says('ask-above-ceiling', {
          rule: ruleName(response, rule),
          askPct: mostPct,
          ceilingPct: response.ceiling.speedPct,
        }),
        cure: null,
      },
    ]
  })
