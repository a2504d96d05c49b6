import { resting, restFor, settleS, speedCheck, tells, timedCheck, leadAfter } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import { bringText, standText } from '@/core/prove/howTo'
import { formatPct, formatQuantity, formatTime } from '@/core/quantity/format'
import { differenceOf } from '@/core/quantity/units'
import { inputQuantity } from '@/core/rules/input'
import type { RapidRise } from '@/core/rules/rapidRise'
import { ruleName } from '@/core/sentences/words'

/** A third more than is wanted of it: surely a quick rise; a third less: surely none. */
const MORE = 4 / 3
const LESS = 0.6

/** A quick rise brings it on, a smaller one does not, and it ends by itself. */
export function riseChecks(context: ProveContext, rule: RapidRise): Check[] {
  const input = measuredOf(context, rule.input)
  if (!input) return []
  const name = ruleName(context.response, rule)
  const rest = restFor(context, rule)
  const top = input.kind === 'humidity' ? 98 : input.to
  const fromX = Math.min(rest[rule.input] ?? input.from, top - rule.rise * MORE - 1)
  if (fromX < (input.kind === 'humidity' ? 5 : -Infinity)) return []
  const base = brought(context, rest, rule.input, fromX)
  const raised = brought(context, rest, rule.input, fromX + rule.rise * MORE)
  const little = brought(context, rest, rule.input, fromX + rule.rise * LESS)
  const q = (x: number) => formatQuantity(x, differenceOf(inputQuantity(input)), context.preference)
  const how =
    input.kind === 'humidity'
      ? 'Breathe on the sensor, or hold a warm damp cloth near it.'
      : 'Change it quickly, with a hand or a bag of warm water.'
  const ifFails = 'The rise or its window was not kept, or the sensor is slow or covered.'
  const steps = (x: typeof base, to: number) => [
    {
      stage: { values: base, forS: rule.windowS + 60 },
      bring: `${standText(context, rule.input, fromX)}.`,
      brings: rule.input,
    },
    {
      stage: { values: x, forS: settleS(context) },
      bring: `Bring ${bringText(context, rule.input, to)} within ${formatTime(rule.windowS)}.`,
      brings: rule.input,
    },
  ]
  const comes = speedCheck(
    context,
    { id: `${rule.id}-rise`, title: `Make a quick rise of ${q(rule.rise * MORE)} for the ${name}.`, how, ifFails },
    base,
    steps(raised, fromX + rule.rise * MORE),
  )
  if (!tells(context, comes)) return []
  const stays = speedCheck(
    context,
    {
      id: `${rule.id}-less`,
      title: `Make a smaller rise, of ${q(rule.rise * LESS)}: nothing must come of it.`,
      how,
      ifFails: 'It answers to less than it should: it will run on every muggy evening.',
    },
    base,
    [steps(little, fromX + rule.rise * LESS)[1]!],
  )
  const lastPct = leadAfter(context, [resting(base)])
  const onPct = leadAfter(context, [
    resting(base),
    { values: base, forS: rule.windowS + 60 },
    { values: raised, forS: 2 * (context.response.scanS ?? 0) + 5 },
  ])
  const ends = timedCheck(
    context,
    (expectS) => ({
      id: `${rule.id}-longest`,
      title: `Keep it as it is after the rise, and time how long it runs.`,
      how: `At most ${formatTime(expectS)}, whatever the reading does; breathe on it again before it falls.`,
      ifFails: 'The longest time was not kept.',
    }),
    {
      stages: [resting(base), { values: base, forS: rule.windowS + 60 }, { values: raised, forS: 0 }],
      fromPct: onPct,
      toPct: lastPct,
      guessS: rule.capS,
    },
  )
  const isTold = tells(context, stays)
  return [
    comes,
    ...(isTold ? [{ ...stays, how: `${how} It stays at ${formatPct(lastPct)} %.` }] : []),
    ...(ends ? [ends] : []),
  ]
}
