import { beyond, restFor, resting, speedCheck, standing, tells, timeCheck } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import { bring, says } from '@/core/prove/words'
import type { HoldAfterFall } from '@/core/rules/holdAfterFall'

/** It runs above its threshold, and goes on for its time below it. */
export function holdAfterFallChecks(context: ProveContext, rule: HoldAfterFall): Check[] {
  if (!measuredOf(context, rule.input)) return []
  const base = restFor(context, rule)
  const [hotX, coolX] = [beyond(context, rule.input, rule.armAbove, 1), beyond(context, rule.input, rule.armAbove, -1)]
  const [hot, cool] = [brought(context, base, rule.input, hotX), brought(context, base, rule.input, coolX)]
  const runs = speedCheck(
    context,
    {
      id: `${rule.id}-runs`,
      says: says('hold-runs', { input: rule.input, hotX }),
    },
    cool,
    [
      {
        stage: standing(context, cool),
        bring: bring('stand', { input: rule.input, x: coolX }),
        brings: rule.input,
      },
      { stage: standing(context, hot), bring: bring('bring', { input: rule.input, x: hotX }), brings: rule.input },
    ],
  )
  const after = timeCheck(
    context,
    (expectS, _from, to) => ({
      id: `${rule.id}-after`,
      says: says('hold-after', { input: rule.input, coolX, toPct: to, expectS }),
    }),
    { stages: [resting(cool), standing(context, hot)], ends: cool, guessS: rule.holdS },
  )
  return [...(tells(context, runs) ? [runs] : []), ...(after ? [after] : [])]
}
