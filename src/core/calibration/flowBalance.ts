import { flowLsAt, type FlowMap } from '@/core/calibration/flowMap'
import { followerPct } from '@/core/machine/follower'
import type { Follower, Response } from '@/core/response/schema'

export type BalanceRow = {
  readonly leadPct: number
  readonly followerPct: number
  readonly leadLs: number
  readonly followerLs: number
  /** What the follower moves more than the lead. Where the lead takes air out and the follower brings it in, above 0 means pressure. */
  readonly overLs: number
}

/** Lead and follower in flow, at every percent of the lead from its floor to its ceiling: a ratio of speed is not a ratio of flow. */
export function flowBalance(
  { floor, ceiling, steps }: Pick<Response, 'floor' | 'ceiling' | 'steps'>,
  follower: Follower,
  leadMap: FlowMap,
  followerMap: FlowMap,
): readonly BalanceRow[] {
  const rows: BalanceRow[] = []
  for (let leadPct = Math.ceil(floor.speedPct); leadPct <= ceiling.speedPct; leadPct++) {
    const followsPct = followerPct(follower, leadPct, floor.speedPct, steps)
    const [leadLs, followerLs] = [flowLsAt(leadMap, leadPct), followsPct === 0 ? 0 : flowLsAt(followerMap, followsPct)]
    rows.push({ leadPct, followerPct: followsPct, leadLs, followerLs, overLs: followerLs - leadLs })
  }
  return rows
}
