import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

const POINTS = 10

/** What this controller gives lies far from what is asked, somewhere over the inputs’ ranges. */
export const intentChanged: Judge = (_installation, { fit }) =>
  (fit?.losses ?? []).flatMap((loss) =>
    loss.kind === 'steps' && loss.curve && loss.curve.greatestPct > POINTS
      ? [
          {
            id: 'intent-changed',
            severity: 'know' as const,
            path: 'kit.controller',
            says: says('intent-changed', { greatestPct: loss.curve.greatestPct, meanPct: loss.curve.meanPct }),
            cure: null,
          },
        ]
      : [],
  )
