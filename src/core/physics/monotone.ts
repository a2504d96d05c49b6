export type Point = { readonly x: number; readonly y: number }

/** The non-decreasing sequence nearest to `ys` in least squares: pool adjacent violators.
 *  Source: Ayer et al. 1955, Ann. Math. Statist. 26, 641. */
export function isotonic(ys: readonly number[]): number[] {
  const blocks: { sum: number; count: number }[] = []
  for (const y of ys) {
    blocks.push({ sum: y, count: 1 })
    for (;;) {
      const [before, last] = blocks.slice(-2)
      if (!before || !last || before === last || before.sum / before.count <= last.sum / last.count) break
      blocks.splice(-2, 2, { sum: before.sum + last.sum, count: before.count + last.count })
    }
  }
  return blocks.flatMap(({ sum, count }) => Array<number>(count).fill(sum / count))
}

/** One point for each x, at the mean of its readings, rising in x. */
export function pooled(points: readonly Point[]): Point[] {
  const byX = new Map<number, number[]>()
  for (const { x, y } of points) byX.set(x, [...(byX.get(x) ?? []), y])
  return [...byX].map(([x, ys]) => ({ x, y: ys.reduce((sum, y) => sum + y, 0) / ys.length })).sort((a, b) => a.x - b.x)
}

const endSlope = (h0: number, h1: number, d0: number, d1: number): number => {
  const slope = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1)
  if (slope * d0 <= 0) return 0
  return d0 * d1 <= 0 && Math.abs(slope) > 3 * Math.abs(d0) ? 3 * d0 : slope
}

/** A curve through points, as data: the points, and its slope at each. */
export type Curve = { readonly points: readonly Point[]; readonly slopes: readonly number[] }

/** A monotone piecewise cubic through `points` (two or more, rising x, y not falling).
 *  Source: Fritsch & Butland 1984, SIAM J. Sci. Stat. Comput. 5, 300 (the PCHIP of numerical libraries). */
export function pchip(points: readonly Point[]): Curve {
  const last = points.length - 1
  if (last < 1) throw new RangeError(`pchip needs two points or more, got ${points.length}`)
  const h = points.slice(1).map(({ x }, i) => x - points[i]!.x)
  const d = points.slice(1).map(({ y }, i) => (y - points[i]!.y) / h[i]!)
  const slopes = points.map((_, i) => {
    if (last === 1) return d[0]!
    if (i === 0) return endSlope(h[0]!, h[1]!, d[0]!, d[1]!)
    if (i === last) return endSlope(h[last - 1]!, h[last - 2]!, d[last - 1]!, d[last - 2]!)
    if (d[i - 1]! * d[i]! <= 0) return 0
    const w1 = 2 * h[i]! + h[i - 1]!
    const w2 = h[i]! + 2 * h[i - 1]!
    return (w1 + w2) / (w1 / d[i - 1]! + w2 / d[i]!)
  })
  return { points, slopes }
}

/** Where a curve lies at x; NaN outside its points. */
export function curveAt({ points, slopes }: Curve, x: number): number {
  const last = points.length - 1
  if (!(x >= points[0]!.x && x <= points[last]!.x)) return NaN
  const next = points.findIndex((point) => point.x > x)
  const i = next < 0 ? last - 1 : next - 1
  const [from, to] = [points[i]!, points[i + 1]!]
  const h = to.x - from.x
  const t = (x - from.x) / h
  const s = 1 - t
  return from.y * s * s * (1 + 2 * t) + to.y * t * t * (3 - 2 * t) + h * t * s * (slopes[i]! * s - slopes[i + 1]! * t)
}
