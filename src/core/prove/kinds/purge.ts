import { beyond, restFor, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check, Values } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import { bringText, valueText, wayFor } from '@/core/prove/howTo'
import { clockAt } from '@/core/prove/weekClock'
import { weekClockText } from '@/core/rules/localClock'
import { PURGE_REBOUND_K, type Purge } from '@/core/rules/purge'

/** Outside its hours, in them with cooler air outside, and after the room has come down. */
export function purgeChecks(context: ProveContext, rule: Purge): Check[] {
  const [span] = rule.spans
  const [room, outdoor] = [measuredOf(context, rule.input), measuredOf(context, rule.outdoor)]
  if (!span || !room || !outdoor) return []
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
      title: `With ${outdoor.name} at ${valueText(context, rule.outdoor, coolX)}, set the clock into the hours of the purge, then let the room come down.`,
      how: `${wayFor(context, rule.input, warmX)} ${notWetter ? 'The air outside must be drier than that of the room meanwhile. ' : ''}Put the right time back afterwards.`,
      ifFails: 'Hours, margin, end or speed of the purge were not kept, or a probe reads off.',
    },
    at(before, warmX),
    [
      {
        stage: standing(context, at(before, warmX)),
        bring: `Bring ${bringText(context, rule.input, warmX)} and set the clock to ${weekClockText(clockAt(span, before))}: before its hours.`,
        brings: rule.input,
      },
      {
        stage: standing(context, at(within, warmX)),
        bring: `Set the clock to ${weekClockText(clockAt(span, within))}: it runs.`,
      },
      {
        stage: standing(context, at(within, downX)),
        bring: `Bring ${bringText(context, rule.input, downX)}: it has come down, and the purge ends.`,
        brings: rule.input,
      },
    ],
  )
  return tells(context, check) ? [check] : []
}
