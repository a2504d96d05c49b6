import type { ControllerModel } from '@/core/controller/schema'
import type { Installation } from '@/core/installation/installation'

/** Takes another controller (or none): outputs go to the fans in order, and what was read off or dialled into the old one says nothing of it. */
export function chooseController(draft: Installation, model: ControllerModel | null): void {
  draft.kit.controller = model && structuredClone(model)
  draft.dial = { present: [], done: [] }
  draft.kit.fans.forEach((fan, index) => (fan.output = model?.outputs[index]?.id ?? null))
}
