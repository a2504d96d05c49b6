import type { Judge } from '@/core/advise/judgement'
import { formatNumber } from '@/core/quantity/format'

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
            title: `This controller gives up to ${formatNumber(loss.curve.greatestPct, 0)} points other than asked.`,
            detail: `On average ${formatNumber(loss.curve.meanPct, 1)}. Kit shows what it cannot do, and which controller comes nearer.`,
            cure: null,
          },
        ]
      : [],
  )
