import { restFor, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import { differentialChecks } from '@/core/prove/kinds/differential'
import { rampChecks } from '@/core/prove/kinds/ramp'
import { clockAt } from '@/core/prove/weekClock'
import { weekClockText } from '@/core/rules/localClock'
import type { Rule } from '@/core/rules/table'
import { periodText, type Week } from '@/core/rules/week'
const PUT_BACK = 'Put the right time back afterwards.'

/** Each period: before it, in it, after it. */
export function weekChecks(context: ProveContext, rule: Week): Check[] {
  const base = restFor(context, rule)
  return rule.periods.flatMap((period, index) => {
    const endMin = period.endMin <= period.startMin ? period.endMin + 1440 : period.endMin
    const step = (minute: number, said: string) => ({
      stage: standing(context, { ...base, clock: clockAt(period, minute) }),
      bring: `Set the clock to ${weekClockText(clockAt(period, minute))}: ${said}.`,
    })
    const check = speedCheck(
      context,
      {
        id: `${rule.id}-period-${index + 1}`,
        title: `Set the clock into and out of the period ${periodText(period)}.`,
        how: PUT_BACK,
        ifFails: 'Day, time or speed of the period was not kept, or the clock is wrong.',
      },
      { ...base, clock: clockAt(period, period.startMin - 2) },
      [
        step(period.startMin - 2, 'before it begins'),
        step(period.startMin + 2, 'it has begun'),
        step(endMin + 2, 'it is over'),
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
    return checks.map((check) => ({
      ...check,
      title: `With the clock at ${weekClockText(clockAt(span, span.startMin + 2))}: ${check.title.charAt(0).toLowerCase()}${check.title.slice(1)}`,
      how: `${check.how} ${PUT_BACK}`,
    }))
  })
}
