import { restFor, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import { bring, says } from '@/core/prove/words'
import type { ByAge } from '@/core/rules/byAge'
import { dateOf } from '@/core/rules/yearDay'

/** The first and the last day of the table: the days of growth put forward and back again. */
export function byAgeChecks(context: ProveContext, rule: ByAge): Check[] {
  const { placedOn } = context.response
  const [first, last] = [rule.rows[0], rule.rows.at(-1)]
  if (placedOn === undefined || !first || !last) return []
  const base = restFor(context, rule)
  const on = (day: number) => ({ ...base, date: dateOf(placedOn) + day })
  const step = (day: number) => ({ stage: standing(context, on(day)), bring: bring('day-of-growth', { day }) })
  const check = speedCheck(
    context,
    { id: `${rule.id}-age`, says: says('by-age', { from: first.day, to: last.day }) },
    on(first.day),
    [step(first.day), step(last.day)],
  )
  return tells(context, check) ? [check] : []
}
