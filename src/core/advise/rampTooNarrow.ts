import type { Judge } from '@/core/advise/judgement'
import { formatQuantity } from '@/core/quantity/format'
import { differenceOf } from '@/core/quantity/units'
import { inputQuantity } from '@/core/response/rules/kind'
import { ruleName } from '@/core/response/words'

const STEPS = 4

/** A ramp over fewer than four of the probe’s steps is a staircase that the loop hunts on. Common practice, no source. */
export const rampTooNarrow: Judge = ({ kit, response }) =>
  response.rules.flatMap((rule, index) => {
    if (rule.kind !== 'ramp' || rule.off) return []
    const probe = kit.probes.find(({ input }) => input === rule.input)
    const span = Math.abs(rule.fullAt - rule.startAt)
    if (!probe || span >= STEPS * probe.resolution) return []
    const difference = differenceOf(inputQuantity(response.inputs.find(({ id }) => id === rule.input)))
    return [
      {
        id: `ramp-too-narrow-${rule.id}`,
        severity: 'wears' as const,
        path: `response.rules.${index}`,
        title: `The ${ruleName(response, rule)} will hunt.`,
        detail: `It goes from one end to the other over ${formatQuantity(span, difference)}, and its probe moves in steps of ${formatQuantity(probe.resolution, difference)}. Spread it over at least ${formatQuantity(STEPS * probe.resolution, difference)}.`,
        cure: null,
      },
    ]
  })
