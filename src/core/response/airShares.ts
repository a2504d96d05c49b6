import type { Stages } from '@/core/response/schema'

/** Shares of all air of a ladder, percent: of the variable fan at full speed, and of the first so many fixed ones. Equal where nothing is said of
 *  a fan. Source: definition; percent of air is not percent of the ladder, whose variable fan has a floor. */
export function airShares({ fixed }: Stages): { readonly leadPct: number; readonly runningPct: readonly number[] } {
  const equal = 100 / (fixed.length + 1)
  const runningPct = fixed.reduce<number[]>((sums, { airPct = equal }) => [...sums, sums.at(-1)! + airPct], [0])
  return { leadPct: 100 - runningPct.at(-1)!, runningPct }
}
