import { stepAbove, toStep } from '@/core/machine/steps'
import type { Follower, Steps } from '@/core/response/schema'

/** Speed of a fan that follows `leadPct`. It stops when the lead stops; the ratio is of percent, not of flow.
 *  Source: definition, docs/control-laws.md; cases in reference-values `ctl.follower`. */
export function followerPct(
  { ratio, floorPct, atLeadFloor }: Follower,
  leadPct: number,
  leadFloorPct: number,
  steps: Steps,
): number {
  if (!(leadPct > 0)) return 0
  if (leadPct <= leadFloorPct && atLeadFloor === 'off') return 0
  // Its own floor on the output's steps.
  const lowestPct = Math.min(100, stepAbove(steps, floorPct))
  if (leadPct <= leadFloorPct && atLeadFloor === 'floor') return lowestPct
  return Math.min(100, Math.max(lowestPct, toStep(steps, ratio * leadPct)))
}
