import { restFor, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import { bring, says } from '@/core/prove/words'
import { ruleInputId } from '@/core/rules/table'

/** A main controller's signal swept from nothing to all and back to nothing, where a rule follows one; it ends with nothing asked. */
export const sweepChecks = (context: ProveContext): Check[] =>
  context.machine.rules.flatMap((rule) => {
    const input = measuredOf(context, ruleInputId(rule) ?? '')
    if (input?.kind !== 'volts' || !('fullAt' in rule)) return []
    const base = restFor(context, rule)
    const step = (x: number) => ({
      stage: standing(context, brought(context, base, input.id, x)),
      bring: bring('signal-to', { input: input.id, x }),
      brings: input.id,
    })
    const lowest = Math.max(input.from, input.lostBelow ?? 0)
    const check = speedCheck(
      context,
      { id: `${rule.id}-sweep`, says: says('sweep', { input: input.id }) },
      brought(context, base, input.id, lowest),
      [step(lowest), step((lowest + input.to) / 2), step(input.to), step(lowest)],
      true,
    )
    return tells(context, check) ? [check] : []
  })
