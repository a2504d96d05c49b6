import type { Loss } from '@/core/controller/loss'
import { givableAbove, givableBelow, leadBounds } from '@/core/machine/givable'
import type { Response } from '@/core/response/schema'

/** A given response whose floor and ceiling leave the output a speed to stand at. Where the controller's steps leave none between them, it
 *  runs at the next one above, or where there is none, at the last one below. */
export function giveBounds(given: Response, losses: Loss[]): Response {
  const bounds = leadBounds(given)
  const { lowPct, highPct } = bounds
  if (!Number.isNaN(givableAbove(bounds, lowPct))) return given
  const above = givableAbove({ ...bounds, highPct: 100 }, lowPct)
  if (!Number.isNaN(above)) {
    losses.push({ kind: 'bound-moved', bound: 'ceiling', askedPct: highPct, givenPct: above })
    return { ...given, ceiling: { ...given.ceiling, speedPct: above } }
  }
  const below = givableBelow({ ...bounds, lowPct: 0 }, highPct)
  losses.push({ kind: 'bound-moved', bound: 'floor', askedPct: lowPct, givenPct: below })
  return { ...given, floor: { ...given.floor, speedPct: below } }
}
