import { exact } from '@/core/rules/exact'
import type { Side } from '@/core/rules/input'

export const isUpward = (side: Side): boolean => side === 'at-or-above' || side === 'above'

/** Whether the point itself counts. */
const countsPoint = (side: Side): boolean => side === 'at-or-above' || side === 'at-or-below'

/** Whether `x` is past a point; a lost reading is past nothing. */
export function isPast(side: Side, x: number, at: number): boolean {
  switch (side) {
    case 'at-or-above':
      return x >= at
    case 'at-or-below':
      return x <= at
    case 'above':
      return x > at
    case 'below':
      return x < at
  }
}

/** A point of a side, turned round for the sides below it so that past is always above. */
type TurnedPoint = { readonly sign: number; readonly edge: number; readonly counts: boolean }

export function turnedPoint(side: Side, at: number): TurnedPoint {
  const sign = isUpward(side) ? 1 : -1
  return { sign, edge: exact(sign * at), counts: countsPoint(side) }
}

/** The same as `isPast`, for loops: nothing is looked up by the name of the side. */
export function isBeyond({ sign, edge, counts }: TurnedPoint, x: number): boolean {
  const past = sign * x
  return past > edge || (counts && past === edge)
}
