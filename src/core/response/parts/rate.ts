import type { Response } from '@/core/response/schema'

/** Moves from what was given towards what is wanted, no faster than the rate. Cases: `ctl.slew`. */
export function compileRate(rate: Response['rate']): ((fromPct: number, toPct: number, dtS: number) => number) | null {
  if (!rate) return null
  const { upPctPerS, downPctPerS } = rate
  return (fromPct, toPct, dtS) =>
    toPct > fromPct ? Math.min(toPct, fromPct + upPctPerS * dtS) : Math.max(toPct, fromPct - downPctPerS * dtS)
}
