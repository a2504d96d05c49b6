import { speedFigure, withResponse, type Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

/** The floor is the highest of its reasons; one that lies below any of them will not do what the reason wants. A required flow is looked at by
 *  what is really given, in a judgement of its own. */
export const floorBelowReason: Judge = ({ response }, derived) => {
  const { lead } = derived
  const ruling = lead?.reasons.find(({ kind }) => kind !== 'required-flow')
  if (!ruling || ruling.speedPct <= response.floor.speedPct) return []
  const neededPct = ruling.speedPct
  return [
    {
      id: 'floor-below-reason',
      severity: 'fails',
      path: 'response.floor',
      says: says('floor-below-reason', { floorPct: response.floor.speedPct, reason: ruling }),
      figure: speedFigure(derived, neededPct - response.floor.speedPct, 1),
      cure: {
        apply: (installation) =>
          withResponse(installation, { floor: { ...installation.response.floor, speedPct: neededPct } }),
      },
    },
  ]
}
