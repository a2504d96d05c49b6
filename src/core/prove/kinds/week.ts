import { restFor, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import { differentialChecks } from '@/core/prove/kinds/differential'
import { rampChecks } from '@/core/prove/kinds/ramp'
import { clockAt } from '@/core/prove/weekClock'
import { bring, says } from '@/core/prove/words'
import type { Rule } from '@/core/rules/table'
import { type Week } from '@/core/rules/week'
/** Each period: before it, in it, after it. */
export function weekChecks(context: ProveContext, rule: Week): Check[] {
  const base = restFor(context, rule)
  return rule.periods.flatMap((period, index) => {
    const endMin = period.endMin <= period.startMin ? period.endMin + 1440 : period.endMin
    const step = (minute: number, code: 'clock-before' | 'clock-within' | 'clock-after') => ({
      stage: standing(context, { ...base, clock: clockAt(period, minute) }),
      bring: bring(code, { clock: clockAt(period, minute) }),
    })
    const check = speedCheck(
      context,
      {
        id: `${rule.id}-period-${index + 1}`,
        says: says('period', { period }),
      },
      { ...base, clock: clockAt(period, period.startMin - 2) },
      [
        step(period.startMin - 2, 'clock-before'),
        step(period.startMin + 2, 'clock-within'),
        step(endMin + 2, 'clock-after'),
      ],
    )
    return tells(context, check) ? [check] : []
  })
}

/** The points of a rule where the week has moved them. */
export function setPointChecks(context: ProveContext, rule: Rule, index: number): Check[] {
  if (!('setPoints' in rule) || !rule.setPoints) return []
  const rest = restFor(context, rule)
  return rule.setPoints.slice(0, 4).flatMap((span, place) => {
    const base = { ...rest, clock: clockAt(span, span.startMin + 2) }
    const suffix = `-week-${place + 1}`
    const checks =
      'fullAt' in rule
        ? rampChecks(context, rule, index, base, suffix).slice(0, 1)
        : differentialChecks(context, rule, index, base, suffix)
    return checks.map((check) => ({ ...check, atClock: clockAt(span, span.startMin + 2) }))
  })
}
