/** How a flow may fall short of the fan law (as a logarithm) at a speed, given the speed at which it comes to nothing. */
const SHAPES = [
  // On a system with a pressure of its own that has to be overcome: flow ~ √(n² − n₀²).
  (pct: number, nothingPct: number) => Math.log(1 - (nothingPct / pct) ** 2) / 2,
  // Nothing up to a speed and then straight: flow ~ n − n₀.
  (pct: number, nothingPct: number) => Math.log(1 - nothingPct / pct),
] as const
const TRIED = 40
const straight = (_pct: number): number => 0
/** Nearest to the lowest reading that the flow may come to nothing. */
const NEAREST = 0.95
/** A droop has to explain a little more than it takes: one low reading alone is no droop. Found by simulation (`readingDoubts.test.ts`). */
const PRICE = 1.1

const middleOf = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/** A fan by its law, perhaps drooping towards low speed, that lies nearest to most readings, whatever a few of them say: least absolute
 *  deviations of ln(flow / speed).
 *  @param read settings (percent, above 0) and values (above 0), two or more
 *  @returns the value at a setting no lower than the lowest read */
export function lawLine(read: readonly { readonly pct: number; readonly value: number }[]): (pct: number) => number {
  const lowest = Math.min(...read.map(({ pct }) => pct))
  const points = read.map(({ pct, value }) => ({ pct, y: Math.log(value / pct) }))
  const places = Array.from({ length: TRIED }, (_, index) => (NEAREST * lowest * (index + 1)) / TRIED)
  const ways = SHAPES.flatMap((shape) => places.map((nothingPct) => (pct: number) => shape(pct, nothingPct)))
  let best = { cost: Infinity, level: 0, falls: straight }
  for (const falls of [straight, ...ways]) {
    const level = middleOf(points.map(({ pct, y }) => y - falls(pct)))
    const cost = points.reduce((sum, { pct, y }) => sum + Math.abs(y - level - falls(pct)), -PRICE * falls(lowest))
    if (cost < best.cost - 1e-12) best = { cost, level, falls }
  }
  return (pct) => pct * Math.exp(best.level + best.falls(pct))
}
