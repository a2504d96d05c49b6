import { ruleInputId } from '@/core/response/rules/kind'
import { withResponse, type Judge } from '@/core/advise/judgement'
import { formatQuantity } from '@/core/quantity/format'

/** Full speed that only comes above what it protects comes too late. */
export const fullAboveLimit: Judge = ({ brief, response }) =>
  brief.targets.flatMap(({ quantity, limitAbove }) => {
    if (limitAbove === null) return []
    return response.rules.flatMap((rule, index) => {
      const input = response.inputs.find(({ id }) => id === ruleInputId(rule))
      if (
        rule.kind !== 'ramp' ||
        rule.off ||
        input?.kind !== quantity ||
        rule.startAt >= Math.min(limitAbove, rule.fullAt) ||
        rule.fullAt <= limitAbove
      )
        return []
      return [
        {
          id: `full-above-limit-${rule.id}`,
          severity: 'fails' as const,
          path: `response.rules.${index}.fullAt`,
          title: `Full speed comes after the ${quantity} limit.`,
          detail: `The limit is ${formatQuantity(limitAbove, quantity)}; the ramp is full at ${formatQuantity(rule.fullAt, quantity)}.`,
          cure: {
            label: `Full at ${formatQuantity(limitAbove, quantity)}`,
            apply: (installation) =>
              withResponse(installation, {
                rules: installation.response.rules.map((candidate) =>
                  candidate.id === rule.id && candidate.kind === 'ramp'
                    ? { ...candidate, fullAt: limitAbove }
                    : candidate,
                ),
              }),
          },
        },
      ]
    })
  })
