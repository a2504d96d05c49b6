import { resting, restFor, settleS, speedCheck, tells, timedCheck, leadAfter } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import { bring, says } from '@/core/prove/words'
import { differenceOf } from '@/core/quantity/units'
import { inputQuantity } from '@/core/rules/input'
import type { RapidRise } from '@/core/rules/rapidRise'

/** A third more than is wanted of it: surely a quick rise; a third less: surely none. */
const MORE = 4 / 3
const LESS = 0.6

/** A quick rise brings it on, a smaller one does not, and it ends by itself. */
export function riseChecks(context: ProveContext, rule: RapidRise): Check[] {
  const input = measuredOf(context, rule.input)
  if (!input) return []
  const rest = restFor(context, rule)
  const top = input.kind === 'humidity' ? 98 : input.to
  const fromX = Math.min(rest[rule.input] ?? input.from, top - rule.rise * MORE - 1)
  if (fromX < (input.kind === 'humidity' ? 5 : -Infinity)) return []
  const base = brought(context, rest, rule.input, fromX)
  const raised = brought(context, rest, rule.input, fromX + rule.rise * MORE)
  const little = brought(context, rest, rule.input, fromX + rule.rise * LESS)
  const rise = { quantity: differenceOf(inputQuantity(input)), isHumidity: input.kind === 'humidity' }
  const steps = (x: typeof base, to: number) => [
    {
      stage: { values: base, forS: rule.windowS + 60 },
      bring: bring('stand', { input: rule.input, x: fromX }),
      brings: rule.input,
    },
    {
      stage: { values: x, forS: settleS(context) },
      bring: bring('within', { input: rule.input, x: to, windowS: rule.windowS }),
      brings: rule.input,
    },
  ]
  const comes = speedCheck(
    context,
    { id: `${rule.id}-rise`, says: says('rise', { rule: rule.id, by: rule.rise * MORE, ...rise }) },
    base,
    steps(raised, fromX + rule.rise * MORE),
  )
  if (!tells(context, comes)) return []
  const lastPct = leadAfter(context, [resting(base)])
  const stays = speedCheck(
    context,
    {
      id: `${rule.id}-less`,
      says: says('rise-less', { by: rule.rise * LESS, staysPct: lastPct, ...rise }),
    },
    base,
    [steps(little, fromX + rule.rise * LESS)[1]!],
  )
  const onPct = leadAfter(context, [
    resting(base),
    { values: base, forS: rule.windowS + 60 },
    { values: raised, forS: 2 * (context.response.scanS ?? 0) + 5 },
  ])
  const ends = timedCheck(
    context,
    (expectS) => ({
      id: `${rule.id}-longest`,
      says: says('rise-longest', { expectS }),
    }),
    {
      stages: [resting(base), { values: base, forS: rule.windowS + 60 }, { values: raised, forS: 0 }],
      fromPct: onPct,
      toPct: lastPct,
      guessS: rule.capS,
    },
  )
  return [comes, ...(tells(context, stays) ? [stays] : []), ...(ends ? [ends] : [])]
}
