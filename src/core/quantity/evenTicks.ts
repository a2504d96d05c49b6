/** Most steps of an axis where nothing is said. */
const MOST_STEPS = 4

/** Even steps of an axis, as many as are wanted at most: 1, 2 or 5 and their tens. They reach over both ends. */
export function evenTicks(low: number, high: number, most = MOST_STEPS): number[] {
  const power = 10 ** Math.floor(Math.log10(Math.max(high - low, 0.5) / most))
  for (const times of [1, 2, 5, 10, 20]) {
    const by = times * power
    const first = Math.floor(low / by)
    const last = Math.max(first + 1, Math.ceil(high / by))
    if (last - first <= most || times === 20)
      return Array.from({ length: last - first + 1 }, (_, index) => Number(((first + index) * by).toPrecision(10)))
  }
  return [low, high]
}

/** The same, of those that lie between the ends. */
export const ticksWithin = (low: number, high: number, most?: number): number[] =>
  evenTicks(low, high, most).filter((tick) => tick >= low && tick <= high)
