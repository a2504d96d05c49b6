import type { Problem } from '@/core/json/problem'
import { problemLine } from '@/core/words/problems'

/** Problems that were not there before: what stood in a document already does not hold up other changes to it. */
export function newProblems(before: readonly Problem[], now: readonly Problem[]): Problem[] {
  const known = new Set(before.map(problemLine))
  return now.filter((problem) => !known.has(problemLine(problem)))
}
