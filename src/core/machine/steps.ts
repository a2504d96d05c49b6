import type { Steps } from '@/core/response/schema'

// 33⅓ and 12.5 are not exact in binary: a value this close to a step is on it.
const ON_STEP = 1e-9

/** The same steps with every field there: what is read at each step of a machine has one shape in all of them. */
export const inOneShape = ({ stepPct, rounding, levelsPct }: Steps): Steps => ({ stepPct, rounding, levelsPct })

const isStepless = ({ stepPct, levelsPct }: Steps): boolean => stepPct === 0 && !levelsPct

/** The lowest step at or above `pct`; Infinity above the last. */
export function stepAbove(steps: Steps, pct: number): number {
  const { stepPct, levelsPct } = steps
  if (pct <= 0) return 0
  if (levelsPct) return levelsPct.find((level) => level >= pct - ON_STEP) ?? Infinity
  if (pct > 100) return Infinity
  if (isStepless(steps)) return pct
  const step = Math.ceil(pct / stepPct - ON_STEP) * stepPct
  return step > 100 ? 100 : step
}

/** The highest step at or below `pct`; 0 is always one. */
export function stepBelow(steps: Steps, pct: number): number {
  const { stepPct, levelsPct } = steps
  if (pct <= 0) return 0
  if (levelsPct) return levelsPct.findLast((level) => level <= pct + ON_STEP) ?? 0
  return isStepless(steps) || pct >= 100 ? Math.min(pct, 100) : Math.floor(pct / stepPct + ON_STEP) * stepPct
}

/** `pct` on the nearest, next higher or next lower step; halves go up. Steps that do not divide 100 still reach 100; past the last level
 *  it stays there. */
export function toStep(steps: Steps, pct: number): number {
  const { stepPct, rounding, levelsPct } = steps
  if (pct <= 0) return levelsPct ? 0 : pct
  if (!levelsPct && (stepPct === 0 || pct >= 100)) return pct
  if (rounding === 'down') return stepBelow(steps, pct)
  // Half a step counts from a whole number of steps, not from the last one before 100.
  if (rounding === 'nearest' && !levelsPct) return Math.min(100, Math.floor(pct / stepPct + 0.5 + ON_STEP) * stepPct)
  const above = stepAbove(steps, pct)
  if (rounding === 'up' && above !== Infinity) return above
  const below = stepBelow(steps, pct)
  return pct - below < above - pct - ON_STEP ? below : above
}
