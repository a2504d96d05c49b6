import type { Brief } from '@/core/brief/schema'
import { roleOf } from '@/core/duty/role'
import type { Response } from '@/core/response/schema'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'

const NOT_THE_SPACE = new Set(['outdoor', 'supply', 'body'])

/** The input that reads what a target of the brief speaks of: of several probes the one that is made of them; never the air outside. */
export function watchedInput(
  quantity: 'temperature' | 'humidity',
  where: { readonly brief: Pick<Brief, 'duty' | 'answers' | 'space'>; readonly response: Response },
): MeasuredInput | null {
  const fitting = where.response.inputs.filter(
    (input): input is MeasuredInput =>
      isMeasured(input) &&
      input.kind === quantity &&
      input.combines?.how !== 'difference' &&
      !NOT_THE_SPACE.has(roleOf(input, where)),
  )
  return fitting.find(({ combines }) => combines) ?? fitting[0] ?? null
}
