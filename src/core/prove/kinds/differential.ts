import { beyond, restFor, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check, Values } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import { bringText, wayFor } from '@/core/prove/howTo'
import { formatPct } from '@/core/quantity/format'
import type { Differential } from '@/core/rules/differential'
import { ruleName } from '@/core/sentences/words'

/** Past both points and back: it comes on, stays between them, and goes off. */
export function differentialChecks(
  context: ProveContext,
  rule: Differential,
  index: number,
  base: Values = restFor(context, rule),
  suffix = '',
): Check[] {
  const input = measuredOf(context, rule.input)
  if (!input) return []
  const shift = context.machine.shiftOf(index, base.clock ?? NaN)
  const [on, off] = [rule.onAt + shift, rule.offAt + shift]
  const way = rule.action === 'direct' ? 1 : -1
  const onX = beyond(context, rule.input, on, way)
  const offX = beyond(context, rule.input, off, -way as 1 | -1)
  const betweenX = Number(((on + off) / 2).toFixed(2))
  // Between its points only where there is room for the error of the probe on both sides.
  const hasRoom = Math.abs(on - off) > Math.abs(onX - on) + Math.abs(offX - off)
  const stage = (x: number, leastS: number) => standing(context, brought(context, base, rule.input, x), leastS)
  const step = (x: number, said: string, leastS = 0) => ({
    stage: stage(x, leastS),
    bring: `Bring ${bringText(context, rule.input, x)}: ${said}.`,
    brings: rule.input,
  })
  const name = ruleName(context.response, rule)
  const [up, down] = [wayFor(context, rule.input, onX), wayFor(context, rule.input, offX)]
  const check = speedCheck(
    context,
    {
      id: `${rule.id}${suffix}-passage`,
      title: `Bring ${input.name} past both points of the ${name}, and back.`,
      how: up === down ? up : `To bring it on: ${up} To bring it off: ${down}`,
      ifFails:
        'A point or its differential was not kept, the controller counts it the other way round, another rule is asking, or the probe reads off.',
    },
    brought(context, base, rule.input, offX),
    [
      step(offX, 'it is off'),
      step(onX, 'it comes on', rule.minOffS),
      ...(hasRoom ? [step(betweenX, 'it stays on')] : []),
      step(offX, 'it goes off', rule.minOnS),
    ],
  )
  if (!tells(context, check)) return []
  return [{ ...check, how: `${check.how} On it runs at ${formatPct(rule.speedPct)} %.` }]
}
