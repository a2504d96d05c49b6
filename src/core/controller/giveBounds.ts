import { given, type Given } from '@/core/controller/given'
import { givableAbove, givableBelow, leadBounds } from '@/core/machine/givable'
import type { Response } from '@/core/response/schema'

/** A response whose floor and ceiling leave the output a speed to stand at. Where the controller's steps leave none between them, it runs at
 *  the next one above, or where there is none, at the last one below. */
export function giveBounds(response: Response): Given<Response> {
  const bounds = leadBounds(response)
  const { lowPct, highPct } = bounds
  if (!Number.isNaN(givableAbove(bounds, lowPct))) return given(response)
  const above = givableAbove({ ...bounds, highPct: 100 }, lowPct)
  if (!Number.isNaN(above))
    return given(
      { ...response, ceiling: { ...response.ceiling, speedPct: above } },
      { kind: 'bound-moved', bound: 'ceiling', askedPct: highPct, givenPct: above },
    )
  const below = givableBelow({ ...bounds, lowPct: 0 }, highPct)
  return given(
    { ...response, floor: { ...response.floor, speedPct: below } },
    { kind: 'bound-moved', bound: 'floor', askedPct: lowPct, givenPct: below },
  )
}
