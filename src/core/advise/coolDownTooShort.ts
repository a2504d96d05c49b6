import { withResponse, type Judge } from '@/core/advise/judgement'
import { formatPct, formatTime } from '@/core/quantity/format'

/** Common practice, no source: not less than 45 % for 30 s and more, so that a heater is never left without air. */
const LEAST_PCT = 45
const LEAST_S = 30

/** A heater that is left hot without air burns its elements or trips its cut-out. */
export const coolDownTooShort: Judge = ({ brief, response }) => {
  const { coolDown } = response
  if (brief.duty !== 'door-curtain' || !coolDown || (coolDown.speedPct >= LEAST_PCT && coolDown.holdS >= LEAST_S))
    return []
  const mended = {
    ...coolDown,
    speedPct: Math.max(LEAST_PCT, coolDown.speedPct),
    holdS: Math.max(60, coolDown.holdS),
  }
  return [
    {
      id: 'cool-down-too-short',
      severity: 'hurts',
      path: 'response.coolDown',
      title: 'The heater is left without air too soon.',
      detail: `It is cooled at ${formatPct(coolDown.speedPct)} % for ${formatTime(coolDown.holdS)}; at least ${LEAST_PCT} % for ${LEAST_S} s, and what its maker says.`,
      cure: {
        label: `Cool at ${formatPct(mended.speedPct)} % for ${formatTime(mended.holdS)}`,
        apply: (installation) => withResponse(installation, { coolDown: mended }),
      },
    },
  ]
}
