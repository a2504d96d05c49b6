import type { Stages } from '@/core/response/schema'

/** The joins of a ladder of `count` fixed fans of one size with a variable one. */
export const equalJoins = (count: number): number[] =>
  Array.from({ length: count }, (_, index) => (100 * (index + 1)) / (count + 1))

const MOST_FIXED = 8

/** A ladder to begin with: equal shares in whole percents, a differential of 5 % and a minute between two changes; common practice, no source. */
export function equalStages(fans: readonly string[]): Stages {
  const fixed = fans.slice(0, MOST_FIXED)
  const joins = equalJoins(fixed.length)
  return {
    fixed: fixed.map((fan, index) => ({ fan, joinsAtPct: Math.round(joins[index]!) })),
    offBelowPct: 5,
    minStageS: 60,
  }
}
