import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

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
      says: says('kick-shorter-than-shutters', { opensInS, holdS }),
      cure: {
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
