import { beyond, restFor, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import type { Values } from '@/core/prove/stage'
import { clockAt } from '@/core/prove/weekClock'
import { bring, says } from '@/core/prove/words'
import { PURGE_REBOUND_K, type Purge } from '@/core/rules/purge'

/** Outside its hours, in them with cooler air outside, and after the room has come down. */
export function purgeChecks(context: ProveContext, rule: Purge): Check[] {
  const [span] = rule.spans
  if (!span || !measuredOf(context, rule.input) || !measuredOf(context, rule.outdoor)) return []
  const warmX = beyond(context, rule.input, rule.untilAt + PURGE_REBOUND_K, 1)
  const downX = beyond(context, rule.input, rule.untilAt, -1)
  const coolX = beyond(context, rule.outdoor, downX - rule.marginK, -1)
  const { notWetter } = rule
  const base = brought(context, restFor(context, rule), rule.outdoor, coolX)
  const cool = notWetter ? brought(context, brought(context, base, notWetter.room, 60), notWetter.outdoor, 30) : base
  const at = (minute: number, x: number): Values => ({
    ...brought(context, cool, rule.input, x),
    clock: clockAt(span, minute),
  })
  const [before, within] = [span.startMin - 2, span.startMin + 2]
  const check = speedCheck(
    context,
    {
      id: `${rule.id}-purge`,
      says: says('purge', {
        outdoor: rule.outdoor,
        coolX,
        input: rule.input,
        warmX,
        notWetter: notWetter !== undefined,
      }),
    },
    at(before, warmX),
    [
      {
        stage: standing(context, at(before, warmX)),
        bring: bring('before-hours', { input: rule.input, x: warmX, clock: clockAt(span, before) }),
        brings: rule.input,
      },
      {
        stage: standing(context, at(within, warmX)),
        bring: bring('in-hours', { clock: clockAt(span, within) }),
      },
      {
        stage: standing(context, at(within, downX)),
        bring: bring('come-down', { input: rule.input, x: downX }),
        brings: rule.input,
      },
    ],
  )
  return tells(context, check) ? [check] : []
}
