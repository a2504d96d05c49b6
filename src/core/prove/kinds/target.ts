import { modeInputs } from '@/core/machine/modeInputs'
import { restFor } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import { differentialChecks } from '@/core/prove/kinds/differential'
import { rampChecks } from '@/core/prove/kinds/ramp'
import type { Values } from '@/core/prove/stage'
import { clockAt } from '@/core/prove/weekClock'
import { dateInSeason } from '@/core/response/dates'
import type { Target } from '@/core/response/target'
import type { Rule } from '@/core/rules/table'

type Change = NonNullable<Target['changes']>[number]

/** A moment in which a target has another value; null where none can be brought about. */
function momentOf({ response }: ProveContext, { mode, season, spans }: Change, base: Values): Values | null {
  const byMode = mode === undefined ? {} : modeInputs(response, mode)
  const date = season === undefined ? undefined : dateInSeason(response, season)
  if (byMode === null || date === null) return null
  const span = spans?.[0]
  return {
    ...base,
    ...byMode,
    ...(span ? { clock: clockAt(span, span.startMin + 2) } : {}),
    ...(date === undefined ? {} : { date }),
  }
}

/** The points of a rule where its target has moved them. */
export function targetChecks(context: ProveContext, rule: Rule, index: number): Check[] {
  if (!('target' in rule) || rule.target === undefined) return []
  const target = context.response.targets?.find(({ id }) => id === rule.target)
  const rest = restFor(context, rule)
  return (target?.changes ?? []).slice(0, 4).flatMap((change, place) => {
    const base = momentOf(context, change, rest)
    if (!base) return []
    const suffix = `-target-${place + 1}`
    const checks =
      'fullAt' in rule
        ? rampChecks(context, rule, index, base, suffix).slice(0, 1)
        : differentialChecks(context, rule, index, base, suffix)
    return checks.map((check) => ({
      ...check,
      ...(change.spans && base.clock !== undefined ? { atClock: base.clock } : {}),
      ...(change.season !== undefined && base.date !== undefined ? { atDate: base.date } : {}),
      ...(change.mode === undefined ? {} : { inMode: change.mode }),
    }))
  })
}
