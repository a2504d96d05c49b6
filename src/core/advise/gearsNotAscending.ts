import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { gearsOf } from '@/core/sentences/namedSpeeds'
import { ruleName } from '@/core/sentences/words'

/** Gears must climb: a door that opens has to bring more air than the heat alone, after the controller's steps too. */
export const gearsNotAscending: Judge = ({ brief, response }, { given }) => {
  if (brief.duty !== 'door-curtain') return []
  const gears = gearsOf(given.response)
  return gears.slice(1).flatMap((gear, index) => {
    const below = gears[index]!
    if (gear.pct > below.pct) return []
    return [
      {
        id: `gears-not-ascending-${gear.rule.id}`,
        severity: 'wears' as const,
        path: `response.rules.${response.rules.findIndex(({ id }) => id === gear.rule.id)}`,
        says: says('gears-not-ascending', {
          rule: ruleName(response, gear.rule),
          pct: gear.pct,
          below: ruleName(response, below.rule),
          belowPct: below.pct,
        }),
        cure: null,
      },
    ]
  })
}
