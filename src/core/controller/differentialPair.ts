import type { Care } from '@/core/controller/safeSide'
import { pointsFrom, type Convention, type Action } from '@/core/response/conventions'
import type { Differential } from '@/core/rules/differential'

const NEAR = 1e-6
type Choice = { readonly setPoint: number; readonly width: number }

/** Set point and width of an on/off rule, chosen together from the values a controller has: of those that come on no later than asked (where a
 *  flue is open: no sooner) and are no narrower, the one whose two points together have moved least. Over a rise and a fall of the input the
 *  speed is off by as much as the points have moved, so that is its mean difference.
 *  @param setPoints every set point it can have
 *  @param widths every width it can have */
export function chooseDifferential(
  { onAt, offAt }: Pick<Differential, 'onAt' | 'offAt'>,
  { convention, action }: { readonly convention: Convention; readonly action: Action },
  setPoints: readonly number[],
  widths: readonly number[],
  care: Care,
): Choice {
  // In terms of a rise that cools: a later point is a higher one.
  const way = action === 'direct' ? 1 : -1
  const [on, off] = [way * onAt, way * offAt]
  let best: { choice: Choice; order: readonly number[] } | null = null
  for (const width of widths)
    for (const setPoint of setPoints) {
      const points = pointsFrom(convention, action, setPoint, width)
      const [later, longer] = [way * points.onAt - on, off - way * points.offAt]
      const wrong = Math.max(0, care === 'suction' ? -later : later)
      const narrower = Math.max(0, on - off - way * (points.onAt - points.offAt))
      const order = [wrong, narrower, Math.abs(later) + Math.abs(longer), Math.abs(later)]
      if (!best || isBefore(order, best.order)) best = { choice: { setPoint, width }, order }
    }
  return best!.choice
}

function isBefore(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((x, index) => Math.abs(x - b[index]!) > NEAR)
  return at >= 0 && a[at]! < b[at]!
}
