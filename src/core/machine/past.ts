import type { Side } from '@/core/rules/input'

export const isUpward = (side: Side): boolean => side === 'at-or-above' || side === 'above'

/** Whether the point itself counts. */
export const countsPoint = (side: Side): boolean => side === 'at-or-above' || side === 'at-or-below'

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
