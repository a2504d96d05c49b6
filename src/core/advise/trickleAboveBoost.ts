import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
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
        says: says('trickle-above-boost', {
          rule: ruleName(response, rule),
          askPct,
          floorPct: response.floor.speedPct,
        }),
        cure: null,
      },
    ]
  })
