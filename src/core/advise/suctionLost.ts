import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { flowBalance } from '@/core/calibration/flowBalance'

/** In a room that must stay under suction the make-up fan may never bring in more than the exhaust takes out. The ratio is of speed; what
 *  counts is flow. Looked at on every percent from the floor to the ceiling, with the maps of both fans. */
export const suctionLost: Judge = ({ brief, kit }, { fans, lead, given }) => {
  if (brief.duty !== 'grow-room' || !lead) return []
  const { response } = given
  return response.followers.flatMap((follower, index) => {
    const fan = fans.find((candidate) => candidate.fan.id === follower.fan)
    if (!fan || lead.flow?.kind !== 'map' || fan.flow?.kind !== 'map') return []
    const [first, ...others] = flowBalance(response, follower, lead.flow.map, fan.flow.map)
    if (!first) return []
    const worst = others.reduce((most, row) => (row.overLs > most.overLs ? row : most), first)
    if (worst.overLs <= 0) return []
    const name = kit.fans.find(({ id }) => id === follower.fan)?.name ?? follower.fan
    return [
      {
        id: `suction-lost-${follower.fan}`,
        severity: 'fails' as const,
        path: `response.followers.${index}`,
        says: says('suction-lost', { fan: name, leadPct: worst.leadPct, overLs: worst.overLs }),
        cure: null,
      },
    ]
  })
}
