import type { Judge } from '@/core/advise/judgement'
import { formatTime } from '@/core/quantity/format'

/** The start kick has to last until the shutters are open: below that they flap, and nothing moves. */
export const kickShorterThanShutters: Judge = ({ calibration, response, brief }) => {
  const timed = calibration.fans.find(({ fan }) => fan === response.lead)?.shutters?.opensInS ?? []
  if (timed.length === 0) return []
  const opensInS = Math.max(...timed)
  const holdS = response.startKick?.holdS ?? 0
  if (holdS >= opensInS) return []
  return [
    {
      id: 'kick-shorter-than-shutters',
      severity: brief.duty === 'livestock' ? ('hurts' as const) : ('wears' as const),
      path: 'response.startKick',
      title: `The start kick is over before the shutters are open.`,
      detail: `They took ${formatTime(opensInS)}; the kick lasts ${formatTime(holdS)}.`,
      cure: {
        label: `Kick for ${formatTime(Math.ceil(opensInS))}`,
        apply: (installation) => ({
          ...installation,
          response: {
            ...installation.response,
            startKick: {
              speedPct: installation.response.startKick?.speedPct ?? 100,
              holdS: Math.ceil(opensInS),
            },
          },
        }),
      },
    },
  ]
}
