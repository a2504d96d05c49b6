import { clamp } from '@/core/clamp'
import type { Follower, Steps } from '@/core/response/schema'
import { toStep } from '@/core/response/steps'

/** Speed of a fan that follows `leadPct`. It stops when the lead stops; the ratio is of percent, not of flow.
 *  Source: definition, trade.md section 3; cases in reference-values `ctl.follower`. */
export function followerPct(
  { ratio, floorPct, atLeadFloor }: Follower,
  leadPct: number,
  leadFloorPct: number,
  steps: Steps,
): number {
  if (!(leadPct > 0)) return 0
  if (leadPct <= leadFloorPct && atLeadFloor !== 'follow') return atLeadFloor === 'off' ? 0 : floorPct
  return clamp(toStep(steps, ratio * leadPct), floorPct, 100)
}
