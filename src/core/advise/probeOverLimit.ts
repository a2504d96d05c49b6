import type { Judge } from '@/core/advise/judgement'
import { formatQuantity } from '@/core/quantity/format'

/** A ramp that is full hotter than its probe survives asks the probe to die first. */
export const probeOverLimit: Judge = ({ kit, response }) =>
  kit.probes.flatMap((probe) => {
    const { survivesToC } = probe
    if (survivesToC === null || probe.quantity !== 'temperature') return []
    return response.rules.flatMap((rule, index) => {
      if (rule.kind !== 'ramp' || rule.off || rule.input !== probe.input) return []
      const hottestC = Math.max(rule.startAt, rule.fullAt)
      if (hottestC < survivesToC) return []
      return [
        {
          id: `probe-over-limit-${probe.id}`,
          severity: 'fails' as const,
          path: `response.rules.${index}.fullAt`,
          title: `The probe “${probe.name}” may not live to see full speed.`,
          detail: `It survives ${formatQuantity(survivesToC, 'temperature')}; the ramp reaches ${formatQuantity(hottestC, 'temperature')}. Move the probe or choose one that survives more.`,
          cure: null,
        },
      ]
    })
  })
