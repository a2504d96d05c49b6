import type { Response } from '@/core/response/schema'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'

/** Whether anything in a response goes by the clock. */
const usesClock = ({ rules, dayByWeek }: Response): boolean =>
  dayByWeek !== undefined ||
  rules.some((rule) => !rule.off && (rule.kind === 'week' || ('setPoints' in rule && rule.setPoints !== undefined)))

/** Readings that a moment does not give: those probes count as lost, and without a clock the week asks for nothing. */
export function missingAt(
  response: Response,
  values: Readonly<Record<string, number>>,
): { readonly inputs: readonly MeasuredInput[]; readonly clock: boolean } {
  return {
    inputs: response.inputs.filter(
      (input): input is MeasuredInput => isMeasured(input) && !input.combines && !(input.id in values),
    ),
    clock: usesClock(response) && !('clock' in values),
  }
}
