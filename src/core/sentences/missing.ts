import type { Response } from '@/core/response/schema'
import { goesByDate } from '@/core/response/dates'
import { weekSpans } from '@/core/response/weekSpans'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'

/** Readings that a moment does not give: those probes count as lost, and without a clock the week asks for nothing. */
export function missingAt(
  response: Response,
  values: Readonly<Record<string, number>>,
): { readonly inputs: readonly MeasuredInput[]; readonly clock: boolean; readonly date: boolean } {
  return {
    inputs: response.inputs.filter(
      (input): input is MeasuredInput => isMeasured(input) && !input.combines && !(input.id in values),
    ),
    clock: weekSpans(response).length > 0 && !('clock' in values),
    date: goesByDate(response) && !('date' in values),
  }
}
