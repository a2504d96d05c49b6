import { isPast } from '@/core/machine/past'
import { pointsOn } from '@/core/machine/pointsOn'
import type { Response } from '@/core/response/schema'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import { ruleInputId, ruleKind } from '@/core/rules/table'

/** Where no reduction acts: one end or the other, or between their points. */
function unreduced(input: MeasuredInput, response: Response): number {
  const acting = (response.reductions ?? []).filter((reduction) => reduction.input === input.id)
  const inside = pointsOn(response, input.id).flatMap((x) => [x + 0.5, x - 0.5])
  return (
    [input.from, input.to, ...inside].find((x) => !acting.some(({ when, at }) => isPast(when, x, at))) ?? input.from
  )
}

function quietValue(input: MeasuredInput, response: Response): number {
  const { rules, light, overrides } = response
  // By day, and cool inside the controller.
  if (light?.input === input.id) return input.to
  if (overrides?.overheat?.input === input.id) return input.from
  const asking = rules.filter((rule) => !rule.off && ruleInputId(rule) === input.id)
  if (asking.length === 0) return unreduced(input, response)
  return asking.some((rule) => ruleKind(rule).asksWhenLow(rule)) ? input.to : input.from
}

/** Inputs at which as little as possible is asking: readings at the end of their range where no rule on them asks and no reduction acts, switches off. */
export const quietInputs = (response: Response): Record<string, number> =>
  Object.fromEntries(response.inputs.map((input) => [input.id, isMeasured(input) ? quietValue(input, response) : 0]))
