import { touch, touchesFor, type PanelNow, type Touch } from '@/core/controller/panel'
import type { ControllerModel } from '@/core/controller/schema'

/** One thing for the hand: what is done, with which control, how often one after the other. */
export type HandStep = Touch & { readonly times: number }

export type Guide = {
  readonly steps: readonly HandStep[]
  /** The panel once all of it is done. */
  readonly end: PanelNow
}

function together(touches: readonly Touch[]): HandStep[] {
  const steps: HandStep[] = []
  for (const next of touches) {
    const last = steps.at(-1)
    if (last?.control === next.control && last.act === next.act)
      steps[steps.length - 1] = { ...last, times: last.times + 1 }
    else steps.push({ ...next, times: 1 })
  }
  return steps
}

/** What a hand does from where the panel is now until a setting stands at `wanted` and is kept.
 *  @returns null where no panel is described, or where no way leads there */
export function guideTo(model: ControllerModel, now: PanelNow, settingId: string, wanted: number): Guide | null {
  const touches = touchesFor(model, now, settingId, wanted)
  if (!touches) return null
  return { steps: together(touches), end: touches.reduce((at, next) => touch(model, at, next), now) }
}
