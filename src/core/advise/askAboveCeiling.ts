import type { Judge } from '@/core/advise/judgement'
import { formatPct } from '@/core/quantity/format'
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
        title: `The ${ruleName(response, rule)} asks for more than the ceiling.`,
        detail: `It asks ${formatPct(mostPct)} %; the ceiling cuts at ${formatPct(response.ceiling.speedPct)} %.`,
        cure: null,
      },
    ]
  })
