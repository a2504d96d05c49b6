import { HOT_NOW, type Columns } from '@/core/machine/columns'
import { followerPct } from '@/core/machine/follower'
import { inOneShape } from '@/core/machine/steps'
import type { Response } from '@/core/response/schema'

/** What the followers of the lead and the fixed fans of a ladder are given. Where it is too hot nothing follows. */
export function compileFollowers({
  followers,
  stages,
  floor,
  steps,
  speeds,
}: Pick<Response, 'followers' | 'stages' | 'floor' | 'steps' | 'speeds'>): (block: Columns) => void {
  const ownSteps = inOneShape(steps)
  return ({ start, end, heat, running, fansPct }) => {
    const lead = fansPct[0]!
    for (let index = 0; index < followers.length; index++) {
      const given = fansPct[index + 1]!
      let [lastLead, last] = [NaN, NaN]
      for (let row = start; row < end; row++) {
        // Much of the time the lead stands still.
        if (lead[row] !== lastLead) {
          lastLead = lead[row]!
          last = followerPct(followers[index]!, lastLead, floor.speedPct, ownSteps, speeds)
        }
        given[row] = (heat[row]! & HOT_NOW) !== 0 ? 0 : last
      }
    }
    for (let index = 0; index < (stages?.fixed.length ?? 0); index++) {
      const given = fansPct[1 + followers.length + index]!
      for (let row = start; row < end; row++) given[row] = index < running[row]! ? 100 : 0
    }
  }
}
