import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { differenceOf } from '@/core/quantity/units'
import { inputQuantity } from '@/core/rules/input'
import { ruleName } from '@/core/sentences/words'

const STEPS = 2

/** A differential narrower than two of the probe’s own steps switches on its noise. Common practice, no source: 0.6 K with a 0.5 K sensor. */
export const differentialTooSmall: Judge = ({ kit, response }) =>
  response.rules.flatMap((rule, index) => {
    if (!('offAt' in rule) || rule.off) return []
    const probe = kit.probes.find(({ input }) => input === rule.input)
    const width = Math.abs(rule.onAt - rule.offAt)
    if (!probe || width >= STEPS * probe.resolution) return []
    const difference = differenceOf(inputQuantity(response.inputs.find(({ id }) => id === rule.input)))
    return [
      {
        id: `differential-too-small-${rule.id}`,
        severity: 'wears' as const,
        path: `response.rules.${index}`,
        says: says('differential-too-small', {
          rule: ruleName(response, rule),
          quantity: difference,
          width,
          resolution: probe.resolution,
          least: STEPS * probe.resolution,
        }),
        cure: null,
      },
    ]
  })
