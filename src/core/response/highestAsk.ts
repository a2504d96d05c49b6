import type { Rule } from '@/core/rules/table'
import { assertNever } from '@/core/json/assertNever'

/** The most a rule can ever ask for (percent). */
export function highestAskPct(rule: Rule): number {
  switch (rule.kind) {
    case 'ramp':
      return Math.max(rule.fromPct, rule.toPct)
    case 'week':
      return Math.max(...rule.periods.map(({ speedPct }) => speedPct))
    case 'switch':
    case 'differential':
    case 'surge':
    case 'cycle':
    case 'after-run':
      return rule.speedPct
    default:
      return assertNever(rule)
  }
}
