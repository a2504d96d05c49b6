import { FLOOR_REASON_NAMES } from '@/core/calibration/floorReasons'
import { withResponse, type Judge } from '@/core/advise/judgement'
import { formatPct } from '@/core/quantity/format'

/** The floor is the highest of its reasons; one that lies below any of them will not do what the reason wants. */
export const floorBelowReason: Judge = ({ response }, { lead }) => {
  const ruling = lead?.reasons[0]
  if (!ruling || ruling.speedPct <= response.floor.speedPct) return []
  const neededPct = ruling.speedPct
  return [
    {
      id: 'floor-below-reason',
      severity: ruling.kind === 'required-flow' ? 'hurts' : 'fails',
      path: 'response.floor',
      title: `The floor of ${formatPct(response.floor.speedPct)} % is too low.`,
      detail: `${FLOOR_REASON_NAMES[ruling.kind]} needs ${formatPct(neededPct)} %${ruling.note ? ` (${ruling.note})` : ''}.`,
      cure: {
        label: `Use ${formatPct(neededPct)}`,
        apply: (installation) =>
          withResponse(installation, { floor: { ...installation.response.floor, speedPct: neededPct } }),
      },
    },
  ]
}
