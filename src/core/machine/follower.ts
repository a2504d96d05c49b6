import { stepAbove, toStep } from '@/core/machine/steps'
import type { Follower, NamedSpeed, Steps } from '@/core/response/schema'

/** What a follower runs at by the named speeds: at each what is said there, between two (and between standing and the lowest) in a straight
 *  line, above the highest by that one's ratio. Null where none of them speaks of it. */
function trimmedPct(fan: string, speeds: readonly NamedSpeed[], leadPct: number): number | null {
  let [lowLead, low] = [0, 0]
  for (const { pct, fans = [] } of speeds) {
    const own = fans.find((candidate) => candidate.fan === fan)
    if (!own || pct === 0) continue
    if (leadPct <= pct) return low + ((own.pct - low) * (leadPct - lowLead)) / (pct - lowLead)
    lowLead = pct
    low = own.pct
  }
  return lowLead === 0 ? null : (low * leadPct) / lowLead
}

/** Speed of a fan that follows `leadPct`. It stops when the lead stops; the ratio is of percent, not of flow.
 *  Source: definition, docs/control-laws.md; cases in reference-values `ctl.follower`. */
export function followerPct(
  { fan, ratio, floorPct, atLeadFloor }: Follower,
  leadPct: number,
  leadFloorPct: number,
  steps: Steps,
  speeds: readonly NamedSpeed[] = [],
): number {
  if (!(leadPct > 0)) return 0
  if (leadPct <= leadFloorPct && atLeadFloor === 'off') return 0
  // Its own floor on the output's steps.
  const lowestPct = Math.min(100, stepAbove(steps, floorPct))
  if (leadPct <= leadFloorPct && atLeadFloor === 'floor') return lowestPct
  return Math.min(100, Math.max(lowestPct, toStep(steps, trimmedPct(fan, speeds, leadPct) ?? ratio * leadPct)))
}
