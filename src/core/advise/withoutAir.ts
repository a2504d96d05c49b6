import { withResponse, type Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'
import type { Response } from '@/core/response/schema'
import { highestAskPct, pulsesOf, ruleKind } from '@/core/rules/table'
import { fillSpan, WEEK_MIN } from '@/core/rules/week'

/** Longest that a duty may stand still; common practice, no source. Animals die without air in hours. */
const LONGEST_S: Partial<Record<Duty, number>> = {
  livestock: 600,
  'grow-room': 4 * 3600,
  extract: 12 * 3600,
  balanced: 4 * 3600,
}

/** The longest time in a week in which no clock asks for air (s), where the clock alone decides; null where something else may ask. */
function longestGapS({ rules, floor }: Response): number | null {
  // A purge brings air only while it is cooler outside.
  const live = rules.filter((rule) => !rule.off && ruleKind(rule).trigger !== 'difference')
  if (!floor.offAllowed || live.some((rule) => ruleKind(rule).trigger !== 'clock')) return null
  const cycles = live.flatMap((rule) => {
    const pulses = highestAskPct(rule) > 0 ? pulsesOf(rule) : null
    return pulses ? [pulses.periodS - pulses.onS] : []
  })
  const periods = live.flatMap((rule) => ('periods' in rule ? rule.periods.filter(({ speedPct }) => speedPct > 0) : []))
  const hasAir = new Uint8Array(WEEK_MIN)
  for (const period of periods) fillSpan(hasAir, period, 1)
  let [longest, gap] = [0, 0]
  // Twice round, so that a gap over the end of the week is whole.
  for (let minute = 0; minute < 2 * WEEK_MIN; minute++) {
    gap = hasAir[minute % WEEK_MIN] ? 0 : gap + 1
    longest = Math.max(longest, gap)
  }
  const byWeek = periods.length === 0 ? Infinity : Math.min(longest, WEEK_MIN) * 60
  return Math.min(byWeek, ...cycles)
}

/** A timer that leaves the space without air for longer than its duty bears. */
export const withoutAir: Judge = ({ brief, response }) => {
  const most = LONGEST_S[brief.duty]
  const gapS = longestGapS(response)
  if (most === undefined || gapS === null || gapS <= most) return []
  return [
    {
      id: 'without-air',
      severity: 'hurts',
      path: 'response.rules',
      says: says('without-air', { gapS, mostS: most }),
      cure: {
        apply: (installation) => {
          const { offAllowed: _was, ...floor } = installation.response.floor
          return withResponse(installation, { floor })
        },
      },
    },
  ]
}
