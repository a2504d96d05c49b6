import type { Steps } from '@/core/response/schema'

// 33⅓ and 12.5 are not exact in binary: a value this close to a step is on it.
const ON_STEP = 1e-9

/** `pct` on the nearest, next higher or next lower step; halves go up. Steps that do not divide 100 still reach 100. */
export function toStep({ stepPct, rounding }: Steps, pct: number): number {
  if (stepPct === 0 || pct <= 0 || pct >= 100) return pct
  const steps = pct / stepPct
  const whole =
    rounding === 'up'
      ? Math.ceil(steps - ON_STEP)
      : rounding === 'down'
        ? Math.floor(steps + ON_STEP)
        : Math.floor(steps + 0.5 + ON_STEP)
  const given = whole * stepPct
  return given > 100 ? 100 : given
}
