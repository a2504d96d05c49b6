import type { Judge } from '@/core/advise/judgement'
import { formatPct } from '@/core/quantity/format'
import { ruleName } from '@/core/sentences/words'

/** A boost that asks for no more than runs anyway is no boost: common practice, no source. */
export const trickleAboveBoost: Judge = ({ response }) =>
  response.rules.flatMap((rule, index) => {
    if (rule.off || (rule.kind !== 'switch' && rule.kind !== 'rapid-rise') || rule.speedPct > response.floor.speedPct)
      return []
    return [
      {
        id: `trickle-above-boost-${rule.id}`,
        severity: 'fails' as const,
        path: `response.rules.${index}.speedPct`,
        title: `The ${ruleName(response, rule)} brings no more air.`,
        detail: `It asks for ${formatPct(rule.speedPct)} %, and the fan never runs below ${formatPct(response.floor.speedPct)} %. Raise the one or lower the other.`,
        cure: null,
      },
    ]
  })
