import { beyond, restFor, shiftAt, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, measuredOf, type ProveContext } from '@/core/prove/context'
import type { Values } from '@/core/prove/stage'
import { bring, says } from '@/core/prove/words'
import type { Differential } from '@/core/rules/differential'

/** Past both points and back: it comes on, stays between them, and goes off. */
export function differentialChecks(
  context: ProveContext,
  rule: Differential,
  index: number,
  base: Values = restFor(context, rule),
  suffix = '',
): Check[] {
  if (!measuredOf(context, rule.input)) return []
  const shift = shiftAt(context, index, base)
  const [on, off] = [rule.onAt + shift, rule.offAt + shift]
  const way = rule.action === 'direct' ? 1 : -1
  const onX = beyond(context, rule.input, on, way)
  const offX = beyond(context, rule.input, off, -way as 1 | -1)
  const betweenX = Number(((on + off) / 2).toFixed(2))
  // Between its points only where there is room for the error of the probe on both sides.
  const hasRoom = Math.abs(on - off) > Math.abs(onX - on) + Math.abs(offX - off)
  const stage = (x: number, leastS: number) => standing(context, brought(context, base, rule.input, x), leastS)
  const step = (x: number, code: 'off' | 'comes-on' | 'stays-on' | 'goes-off', leastS = 0) => ({
    stage: stage(x, leastS),
    bring: bring(code, { input: rule.input, x }),
    brings: rule.input,
  })
  const check = speedCheck(
    context,
    {
      id: `${rule.id}${suffix}-passage`,
      says: says('differential-passage', { rule: rule.id, input: rule.input, onX, offX, onPct: rule.speedPct }),
    },
    brought(context, base, rule.input, offX),
    [
      step(offX, 'off'),
      step(onX, 'comes-on', rule.minOffS),
      ...(hasRoom ? [step(betweenX, 'stays-on')] : []),
      step(offX, 'goes-off', rule.minOnS),
    ],
  )
  return tells(context, check) ? [check] : []
}
