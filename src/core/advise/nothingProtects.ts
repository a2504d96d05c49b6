import type { Judge } from '@/core/advise/judgement'
import { formatQuantity } from '@/core/quantity/format'
import { ruleInputId } from '@/core/response/rules/kind'

/** A limit in the brief, and no rule left that answers to that quantity: automatics switched off “to be sure” took the protection with them. */
export const nothingProtects: Judge = ({ brief, response }) =>
  brief.targets.flatMap(({ quantity, limitAbove }, index) => {
    const inputs = response.inputs.filter(({ kind }) => kind === quantity).map(({ id }) => id)
    const answers = response.rules.filter(({ off }) => !off).some((rule) => inputs.includes(ruleInputId(rule) ?? ''))
    const isAlwaysFull = response.floor.speedPct >= response.ceiling.speedPct && !response.floor.offAllowed
    if (limitAbove === null || answers || isAlwaysFull) return []
    return [
      {
        id: `nothing-protects-${quantity}-${index}`,
        severity: quantity === 'temperature' ? ('hurts' as const) : ('fails' as const),
        path: `brief.targets.${index}`,
        title: `Nothing brings more air when the ${quantity} rises.`,
        detail: `The limit is ${formatQuantity(limitAbove, quantity)}, and no rule that is switched on answers to ${quantity}. Switch one on, or let the floor alone carry it and say so.`,
        cure: null,
      },
    ]
  })
