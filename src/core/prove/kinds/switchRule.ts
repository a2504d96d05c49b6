import { resting, restFor, speedCheck, standing, tells, timeCheck, timedCheck, leadAfter } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import { formatPct, formatTime } from '@/core/quantity/format'
import type { SwitchRule } from '@/core/rules/switchRule'
import { ruleName } from '@/core/sentences/words'

/** Seconds for which a switch is left on before an overrun that is as long is timed. */
const ON_FOR_S = 120

/** What it runs at, how long it waits, how long it runs on. */
export function switchChecks(context: ProveContext, rule: SwitchRule): Check[] {
  const base = restFor(context, rule)
  const name = ruleName(context.response, rule)
  const on = { ...base, [rule.input]: 1 }
  const { overrun, onDelayS } = rule
  const wrongTerminal = 'Wrong terminal, contact the other way round, or the speed was not kept.'
  const isOn = speedCheck(
    context,
    {
      id: `${rule.id}-on`,
      title: `Switch the ${name} on.`,
      how: onDelayS > 0 ? `It answers after ${formatTime(onDelayS)}.` : 'It answers at once.',
      ifFails: wrongTerminal,
    },
    base,
    [
      { stage: standing(context, base), bring: `Leave the ${name} off.` },
      { stage: standing(context, on, onDelayS), bring: `Switch the ${name} on.` },
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
        title: `Switch the ${name} on and time how long it takes to go to ${formatPct(to)} %.`,
        how: `It waits ${formatTime(expectS)} before it answers.`,
        ifFails: 'The delay was not kept.',
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
      title: `Switch the ${name} off and time how long it takes to come down to ${formatPct(to)} %.`,
      how:
        overrun.kind === 'matched'
          ? `Leave it on for ${formatTime(onForS)} first; after that it runs on for ${formatTime(expectS)}.`
          : `Leave it on for ${formatTime(onForS)} first. It runs on for ${formatTime(expectS)}, however long it was on.`,
      ifFails: 'Overrun not kept, or another rule still asks for this speed.',
    }),
    { stages: [resting(base), { values: on, forS: onForS }], ends: base, guessS: longestS },
  )
  return runsOn ? [...checks, runsOn] : checks
}
