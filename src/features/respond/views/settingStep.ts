import type { MeasuredInput } from '@/core/rules/input'
import type { ControllerModel, Meaning } from '@/core/controller/schema'
import { settingOf } from '@/core/controller/settingOf'

/** The step in which the chosen controller can set this, for an input of this kind where it belongs to one; null where it cannot, or none
 *  is chosen. */
export function settingStep(model: ControllerModel | null, means: Meaning, input: MeasuredInput | null): number | null {
  if (!model) return null
  const slots = means.startsWith('ramp.')
    ? model.ramps
    : means.startsWith('differential.')
      ? (model.differentials ?? [])
      : null
  const slot = slots && input ? slots.findIndex((held) => held.input === input.kind) + 1 : 1
  return settingOf(model, means, slot)?.step ?? null
}
