import type { Installation } from '@/core/document/installation'
import { readInstallation } from '@/core/document/read'
import { problemLine, type Outcome } from '@/core/problem'

/** A document in the database is not one this program can read: another version wrote it, or a hand changed it. */
export class StoredDocumentError extends Error {}

/** A JSON column is an edge like any other: checked when read. */
export function stored<T>(what: string, outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value
  throw new StoredDocumentError(`The stored ${what} cannot be read: ${outcome.problems.map(problemLine).join('; ')}`)
}

export const storedInstallation = (what: string, data: unknown): Installation => stored(what, readInstallation(data))
