import type { Steps } from '@/core/response/schema'

// 33⅓ and 12.5 are not exact in binary: a value this close to a step is on it.
const ON_STEP = 1e-9

/** The nearest, next higher or next lower of the levels and 0; half way goes up, past the last stays at the last. */
function toLevel(levelsPct: readonly number[], rounding: Steps['rounding'], pct: number): number {
  let [below, above] = [0, Infinity]
  for (let index = 0; index < levelsPct.length; index++) {
    const level = levelsPct[index]!
    if (level <= pct + ON_STEP && level > below) below = level
    if (level >= pct - ON_STEP && level < above) above = level
  }
  if (above === Infinity) return below
  if (rounding === 'nearest') return pct - below < above - pct - ON_STEP ? below : above
  return rounding === 'up' ? above : below
}

/** `pct` on the nearest, next higher or next lower step; halves go up. Steps that do not divide 100 still reach 100. */
export function toStep({ stepPct, rounding, levelsPct }: Steps, pct: number): number {
  if (levelsPct) return pct <= 0 ? 0 : toLevel(levelsPct, rounding, pct)
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
