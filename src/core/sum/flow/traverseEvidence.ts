const VERDICTS = {
  good: 'Good evidence: the readings lie close together.',
  fair: 'Fair evidence: the stream is uneven; more straight duct before it would be better.',
  poor: 'Poor evidence: too few readings, or too many near nothing. Find a straighter place.',
} as const

/** How far a traverse is to be trusted, from how its readings spread. */
export type TraverseEvidence = {
  readonly mean: number
  /** Standard deviation over mean. */
  readonly spread: number
  readonly verdict: 'good' | 'fair' | 'poor'
}

/** Good when at least three readings in four lie above a tenth of the greatest, and the spread is small. Source: ASHRAE 111, from memory,
 *  for the three in four; the limits of the spread are common practice, no source. */
export function traverseEvidence(velocities: readonly number[]): TraverseEvidence {
  const mean = velocities.reduce((total, v) => total + v, 0) / velocities.length
  const spread = Math.sqrt(velocities.reduce((total, v) => total + (v - mean) ** 2, 0) / velocities.length) / mean
  const strong = velocities.filter((v) => v > Math.max(...velocities) / 10).length / velocities.length
  const verdict =
    strong < 0.75 || velocities.length < 6 ? 'poor' : spread < 0.25 ? 'good' : spread < 0.5 ? 'fair' : 'poor'
  return { mean, spread, verdict }
}

export const traverseVerdict = (velocities: readonly number[]): string => VERDICTS[traverseEvidence(velocities).verdict]
