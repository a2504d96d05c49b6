import { withResponse, type Judge, type Judgement } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { differenceOf } from '@/core/quantity/units'
import { inputQuantity, isMeasured } from '@/core/rules/input'
import { ruleName } from '@/core/sentences/words'

/** Common practice, no source: fewer steps of the probe than that are a staircase that the loop hunts on. */
const STEPS = 4

/** A ramp over fewer than four of the probe’s steps, or over less than the probe may be off to both sides: it hunts, or is anywhere on it. */
export const rampTooNarrow: Judge = ({ kit, response }) =>
  response.rules.flatMap((rule, index): Judgement[] => {
    if (!('fullAt' in rule) || rule.off) return []
    const input = response.inputs.find(({ id }) => id === rule.input)
    const reads = [rule.input, ...((input && isMeasured(input) && input.combines?.of) || [])]
    const probes = kit.probes.filter((probe) => reads.includes(probe.input))
    const span = Math.abs(rule.fullAt - rule.startAt)
    const [steps, off] = [
      Math.max(0, ...probes.map(({ resolution }) => STEPS * resolution)),
      Math.max(0, ...probes.map(({ accuracy }) => 2 * (accuracy ?? 0))),
    ]
    const least = Math.max(steps, off)
    // Figures of tenths are compared as such.
    if (span >= least - 1e-9) return []
    const way = rule.fullAt > rule.startAt ? 1 : -1
    return [
      {
        id: `ramp-too-narrow-${rule.id}`,
        severity: 'wears',
        path: `response.rules.${index}`,
        says: says('ramp-too-narrow', {
          rule: ruleName(response, rule),
          quantity: differenceOf(inputQuantity(input)),
          span,
          steps,
          stepCount: STEPS,
          off,
          least,
        }),
        figure: { value: span, worse: -1, step: least / 4 },
        cure: {
          apply: (installation) =>
            withResponse(installation, {
              rules: installation.response.rules.map((held) =>
                held.id === rule.id && 'fullAt' in held
                  ? { ...held, startAt: Number((held.fullAt - way * least).toFixed(3)) }
                  : held,
              ),
            }),
        },
      },
    ]
  })
