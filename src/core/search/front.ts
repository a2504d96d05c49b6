/** One candidate as it is judged: how far it breaks hard limits on the sum (0: none), and what counts, less is better in each. */
export type Score = { readonly breaks: number; readonly aims: readonly number[] }

/** Whether `a` is better than `b` in something and worse in nothing; less broken limits stand before everything. */
export function dominates(a: Score, b: Score): boolean {
  if (a.breaks !== b.breaks) return a.breaks < b.breaks
  let isBetter = false
  for (let index = 0; index < a.aims.length; index++) {
    if (a.aims[index]! > b.aims[index]!) return false
    if (a.aims[index]! < b.aims[index]!) isBetter = true
  }
  return isBetter
}

/** Places of those that none dominates; of several alike the first. */
export function frontOf(scores: readonly Score[]): number[] {
  const seen = new Set<string>()
  return scores.flatMap((score, place) => {
    if (scores.some((other) => dominates(other, score))) return []
    const key = score.aims.join(' ')
    if (seen.has(key)) return []
    seen.add(key)
    return [place]
  })
}

/** Ranks, 0 for the front, 1 for the front of what is left, and so on. */
export function ranksOf(scores: readonly Score[]): Int32Array {
  const ranks = new Int32Array(scores.length).fill(-1)
  let left = scores.map((_, place) => place)
  for (let rank = 0; left.length > 0; rank++) {
    const front = left.filter((place) => !left.some((other) => dominates(scores[other]!, scores[place]!)))
    for (const place of front) ranks[place] = rank
    left = left.filter((place) => ranks[place]! < 0)
  }
  return ranks
}

/** How alone each stands among its neighbours in every aim; the ends of the front count as alone. Source: Deb and others 2002, crowding distance. */
export function crowding(scores: readonly Score[]): Float64Array {
  const apart = new Float64Array(scores.length)
  const aims = scores[0]?.aims.length ?? 0
  for (let aim = 0; aim < aims; aim++) {
    const order = scores.map((_, place) => place).sort((a, b) => scores[a]!.aims[aim]! - scores[b]!.aims[aim]!)
    const [first, last] = [order[0]!, order.at(-1)!]
    const range = scores[last]!.aims[aim]! - scores[first]!.aims[aim]! || 1
    apart[first] = apart[last] = Infinity
    for (let at = 1; at + 1 < order.length; at++)
      apart[order[at]!]! += (scores[order[at + 1]!]!.aims[aim]! - scores[order[at - 1]!]!.aims[aim]!) / range
  }
  return apart
}

/** Area that a front of two aims covers up to a corner beyond it. Source: definition of the hypervolume. */
export function hypervolume(
  points: readonly (readonly [x: number, y: number])[],
  corner: readonly [x: number, y: number],
): number {
  const sorted = points.filter(([x, y]) => x < corner[0] && y < corner[1]).sort((a, b) => a[0] - b[0] || a[1] - b[1])
  let [area, top] = [0, corner[1]]
  for (const [x, y] of sorted) {
    if (y >= top) continue
    area += (corner[0] - x) * (top - y)
    top = y
  }
  return area
}
