import { beyond, restFor, resting, speedCheck, standing, tells, timeCheck } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import { bringText, standText, valueText, wayFor } from '@/core/prove/howTo'
import { formatPct, formatTime } from '@/core/quantity/format'
import type { HoldAfterFall } from '@/core/rules/holdAfterFall'

/** It runs above its threshold, and goes on for its time below it. */
export function holdAfterFallChecks(context: ProveContext, rule: HoldAfterFall): Check[] {
  const input = measuredOf(context, rule.input)
  if (!input) return []
  const base = restFor(context, rule)
  const [hotX, coolX] = [beyond(context, rule.input, rule.armAbove, 1), beyond(context, rule.input, rule.armAbove, -1)]
  const [hot, cool] = [brought(context, base, rule.input, hotX), brought(context, base, rule.input, coolX)]
  const runs = speedCheck(
    context,
    {
      id: `${rule.id}-runs`,
      title: `Bring ${bringText(context, rule.input, hotX)}: it runs.`,
      how: wayFor(context, rule.input, hotX),
      ifFails: 'The threshold or its speed was not kept, or the probe reads off.',
    },
    cool,
    [
      {
        stage: standing(context, cool),
        bring: `${standText(context, rule.input, coolX)}.`,
        brings: rule.input,
      },
      { stage: standing(context, hot), bring: `Bring ${bringText(context, rule.input, hotX)}.`, brings: rule.input },
    ],
  )
  const after = timeCheck(
    context,
    (expectS, _from, to) => ({
      id: `${rule.id}-after`,
      title: `Let it fall to ${valueText(context, rule.input, coolX)} and time how long it goes on${to > 0 ? `, down to ${formatPct(to)} %` : ''}.`,
      how: `It warns at the threshold, runs on for ${formatTime(expectS)}, and then stops.`,
      ifFails: 'The threshold or the time was not kept.',
    }),
    { stages: [resting(cool), standing(context, hot)], ends: cool, guessS: rule.holdS },
  )
  return [...(tells(context, runs) ? [runs] : []), ...(after ? [after] : [])]
}
