import type { ControllerModel, Meaning } from '@/core/controller/schema'
import type { Response } from '@/core/response/schema'

/** Floor and ceiling as they come out, settings chosen. */
export function boundsOf(
  model: ControllerModel,
  { stages }: Response,
  valueOf: (means: Meaning, slot: number) => number | undefined,
): { readonly floorPct: number; readonly ceilingPct: number } {
  const floorPct = Math.max(valueOf('floor', 1) ?? model.lowestPct, model.lowestPct)
  return { floorPct, ceilingPct: Math.max(valueOf('ceiling', 1) ?? 100, stages ? 0 : floorPct) }
}
