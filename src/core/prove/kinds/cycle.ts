import { resting, stateAfter, timedCheck } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import { says } from '@/core/prove/words'
import type { Cycle } from '@/core/rules/cycle'

/** How long it is on, and how long the pause is. */
export function cycleChecks(context: ProveContext, rule: Cycle): Check[] {
  if (rule.onS >= rule.periodS) return []
  const { rest } = context
  const onPct = stateAfter(context, [resting(rest)]).fansPct[0]!
  const offPct = stateAfter(context, [resting(rest), { values: rest, forS: rule.onS }]).fansPct[0]!
  const on = timedCheck(
    context,
    (expectS, from) => ({
      id: `${rule.id}-cycle`,
      says: says('cycle', { onPct: from, expectS }),
    }),
    { stages: [resting(rest)], fromPct: onPct, toPct: offPct, guessS: rule.onS },
  )
  const pause = timedCheck(
    context,
    (expectS) => ({
      id: `${rule.id}-pause`,
      says: says('pause', { expectS }),
    }),
    {
      stages: [resting(rest), { values: rest, forS: rule.onS }],
      fromPct: offPct,
      toPct: onPct,
      guessS: rule.periodS - rule.onS,
    },
  )
  return [...(on ? [on] : []), ...(pause ? [pause] : [])]
}
