import { isMeasured } from '@/core/response/rules/kind'
import type { MeasuredInput, Response, Rule } from '@/core/response/schema'

/** Whether a rule asks for more as its input falls. */
function asksWhenLow(rule: Rule): boolean {
  if (rule.kind === 'ramp') return rule.fullAt < rule.startAt
  return rule.kind === 'differential' && rule.sense === 'heating'
}

function quietValue(input: MeasuredInput, { rules, light, holds }: Response): number {
  // By day, and cool inside the controller.
  if (light?.input === input.id) return input.to
  if (holds?.overheat?.input === input.id) return input.from
  const asksLow = rules.some((rule) => !rule.off && 'input' in rule && rule.input === input.id && asksWhenLow(rule))
  return asksLow ? input.to : input.from
}

/** Inputs at which as little as possible is asking: readings at the end of their range where no rule on them asks, switches off. */
export const quietInputs = (response: Response): Record<string, number> =>
  Object.fromEntries(response.inputs.map((input) => [input.id, isMeasured(input) ? quietValue(input, response) : 0]))
