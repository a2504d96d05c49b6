import { resting, restFor, speedCheck, standing, tells, timeCheck, timedCheck, leadAfter } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import { bring, says } from '@/core/prove/words'
import type { SwitchRule } from '@/core/rules/switchRule'

/** Seconds for which a switch is left on before an overrun that is as long is timed. */
const ON_FOR_S = 120

/** What it runs at, how long it waits, how long it runs on. */
export function switchChecks(context: ProveContext, rule: SwitchRule): Check[] {
  const base = restFor(context, rule)
  const on = { ...base, [rule.input]: 1 }
  const { overrun, onDelayS } = rule
  const isOn = speedCheck(
    context,
    {
      id: `${rule.id}-on`,
      says: says('switch-on', { rule: rule.id, onDelayS }),
    },
    base,
    [
      { stage: standing(context, base), bring: bring('leave-off', { rule: rule.id }) },
      { stage: standing(context, on, onDelayS), bring: bring('switch-on', { rule: rule.id }) },
    ],
  )
  const checks: Check[] = tells(context, isOn) ? [isOn] : []
  if (onDelayS >= 10) {
    const [fromPct, toPct] = [
      leadAfter(context, [resting(base)]),
      leadAfter(context, [resting(base), standing(context, on, onDelayS)]),
    ]
    const delay = timedCheck(
      context,
      (expectS, _from, to) => ({
        id: `${rule.id}-delay`,
        says: says('switch-delay', { rule: rule.id, toPct: to, expectS }),
      }),
      { stages: [resting(base), { values: on, forS: 0 }], fromPct, toPct, guessS: onDelayS },
    )
    if (delay) checks.push(delay)
  }
  const onForS = overrun.kind === 'matched' ? Math.max(ON_FOR_S, onDelayS + 30) : onDelayS + 30
  const longestS =
    overrun.kind === 'none'
      ? (context.response.finalRunOn?.holdS ?? 0)
      : overrun.kind === 'fixed'
        ? overrun.holdS
        : overrun.capS
  if (longestS === 0) return checks
  const runsOn = timeCheck(
    context,
    (expectS, _from, to) => ({
      id: `${rule.id}-overrun`,
      says: says('overrun', { rule: rule.id, toPct: to, expectS, onForS, isMatched: overrun.kind === 'matched' }),
    }),
    { stages: [resting(base), { values: on, forS: onForS }], ends: base, guessS: longestS },
  )
  return runsOn ? [...checks, runsOn] : checks
}
