import { withResponse, type Judge } from '@/core/advise/judgement'
import { formatPct } from '@/core/quantity/format'

/** At a low ratio the follower can be told to run below the speed at which it starts. */
export const followerTooSlow: Judge = ({ kit, calibration, response }, { given }) =>
  given.response.followers.flatMap((follower, index) => {
    const starts = calibration.fans.find(({ fan }) => fan === follower.fan)?.startsPct ?? []
    if (starts.length === 0 || follower.atLeadFloor === 'off') return []
    const startPct = Math.max(...starts)
    const slowestPct = Math.max(
      follower.floorPct,
      follower.atLeadFloor === 'floor' ? follower.floorPct : follower.ratio * given.response.floor.speedPct,
    )
    if (slowestPct >= startPct) return []
    const name = kit.fans.find(({ id }) => id === follower.fan)?.name ?? follower.fan
    return [
      {
        id: `follower-too-slow-${follower.fan}`,
        severity: 'fails' as const,
        path: `response.followers.${index}`,
        title: `The ${name} may stand still at the lead’s floor.`,
        detail: `It is told ${formatPct(slowestPct)} % there and starts at ${formatPct(startPct)} %.`,
        cure:
          response.followers[index] === undefined
            ? null
            : {
                label: `Follower not below ${formatPct(startPct)}`,
                apply: (installation) =>
                  withResponse(installation, {
                    followers: installation.response.followers.map((candidate) =>
                      candidate.fan === follower.fan ? { ...candidate, floorPct: startPct } : candidate,
                    ),
                  }),
              },
      },
    ]
  })
