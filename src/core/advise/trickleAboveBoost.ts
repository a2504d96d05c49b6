import type { Judge } from '@/core/advise/judgement'
import { formatPct } from '@/core/quantity/format'
import { highestAskPct, ruleKind } from '@/core/rules/table'
import { ruleName } from '@/core/sentences/words'

/** A boost that asks for no more than runs anyway is no boost: common practice, no source. */
export const trickleAboveBoost: Judge = ({ response }) =>
  response.rules.flatMap((rule, index) => {
    const askPct = highestAskPct(rule)
    if (rule.off || !['contact', 'rise'].includes(ruleKind(rule).trigger) || askPct > response.floor.speedPct) return []
    return [
      {
        id: `trickle-above-boost-${rule.id}`,
        severity: 'fails' as const,
        path: `response.rules.${index}.speedPct`,
        title: `The ${ruleName(response, rule)} brings no more air.`,
        detail: `It asks for ${formatPct(askPct)} %, and the fan never runs below ${formatPct(response.floor.speedPct)} %. Raise the one or lower the other.`,
        cure: null,
      },
    ]
  })
