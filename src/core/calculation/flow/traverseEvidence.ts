const VERDICTS = {
  good: 'Good evidence: the readings lie close together.',
  fair: 'Fair evidence: the stream is uneven; more straight duct before it would be better.',
  poor: 'Poor evidence: too many near nothing, or far apart. Find a straighter place.',
} as const

/** How far a traverse is to be trusted, from how many readings it has and how they spread. */
export type TraverseEvidence = {
  readonly mean: number
  /** Standard deviation of the sample (n − 1) over mean; NaN for one reading. */
  readonly spread: number
  /** Share of the readings whose velocity pressure is above a tenth of the greatest. */
  readonly strong: number
  readonly verdict: keyof typeof VERDICTS
}

/** Three readings in four must have a velocity pressure above a tenth of the greatest (ASHRAE 111 and AMCA 203, from memory), which is a velocity
 *  above √0.1 = 0.32 of it. Good needs every reading that the rule wants for the duct; fair at least half of them. The limits of the spread
 *  are common practice, no source.
 *  @param wanted how many readings the rule wants */
export function traverseEvidence(velocities: readonly number[], wanted: number): TraverseEvidence {
  const count = velocities.length
  const mean = velocities.reduce((total, v) => total + v, 0) / count
  const variance = velocities.reduce((total, v) => total + (v - mean) ** 2, 0) / (count - 1)
  const spread = Math.sqrt(variance) / mean
  const greatest = Math.max(...velocities)
  const strong = velocities.filter((v) => v ** 2 > greatest ** 2 / 10).length / count
  const ofSpread = spread < 0.25 ? 'good' : spread < 0.5 ? 'fair' : 'poor'
  const ofCount = count >= wanted ? 'good' : count >= wanted / 2 ? 'fair' : 'poor'
  const verdict = strong < 0.75 || !(spread >= 0) ? 'poor' : worseOf(ofSpread, ofCount)
  return { mean, spread, strong, verdict }
}

const ORDER = ['good', 'fair', 'poor'] as const
const worseOf = (a: TraverseEvidence['verdict'], b: TraverseEvidence['verdict']): TraverseEvidence['verdict'] =>
  ORDER[Math.max(ORDER.indexOf(a), ORDER.indexOf(b))]!

export function traverseVerdict(velocities: readonly number[], wanted: number): string {
  const { verdict } = traverseEvidence(velocities, wanted)
  const missing = wanted - velocities.length
  if (missing <= 0) return VERDICTS[verdict]
  return `${verdict === 'poor' ? 'Poor' : 'Fair'} evidence: the rule wants ${wanted} readings in this duct, ${missing} more than were typed.`
}
