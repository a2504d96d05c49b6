import { speedFigure, withResponse, type Judge, type Judgement } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { followerPct } from '@/core/machine/follower'
import { toStep } from '@/core/machine/steps'

/** At a low ratio the follower can be told to run below the speed at which it starts: looked at over all that the lead gives. */
export const followerTooSlow: Judge = ({ kit, calibration, response }, derived) =>
  derived.given.response.followers.flatMap((follower): Judgement[] => {
    const { floor, ceiling, steps } = derived.given.response
    const starts = calibration.fans.find(({ fan }) => fan === follower.fan)?.startsPct ?? []
    if (starts.length === 0) return []
    const startPct = Math.max(...starts)
    const from = Math.max(1, Math.floor(floor.speedPct))
    const leads = Array.from({ length: Math.max(1, Math.floor(ceiling.speedPct) - from + 1) }, (_, index) =>
      Math.max(floor.speedPct, toStep(steps, from + index)),
    )
    const slow = leads
      .map((leadPct) => ({ leadPct, pct: followerPct(follower, leadPct, floor.speedPct, steps) }))
      .filter(({ pct }) => pct > 0 && pct < startPct)
      .sort((a, b) => a.pct - b.pct)
    const [worst] = slow
    if (!worst) return []
    const name = kit.fans.find(({ id }) => id === follower.fan)?.name ?? follower.fan
    const upTo = Math.max(...slow.map(({ leadPct }) => leadPct))
    const index = response.followers.findIndex(({ fan }) => fan === follower.fan)
    return [
      {
        id: `follower-too-slow-${follower.fan}`,
        severity: 'fails',
        path: `response.followers.${Math.max(0, index)}`,
        says: says('follower-too-slow', {
          fan: name,
          startPct,
          toldPct: worst.pct,
          leadPct: worst.leadPct,
          upToPct: upTo,
        }),
        figure: speedFigure(derived, worst.pct, -1),
        cure:
          index < 0
            ? null
            : {
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
