import { problemLine, type Outcome } from '@/core/problem'

/** A document in the database is not one this program can read: another version wrote it, or a hand changed it. */
export class StoredDocumentError extends Error {}

/** A JSON column is an edge like any other: checked when read. */
export function stored<T>(what: string, outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value
  throw new StoredDocumentError(`The stored ${what} cannot be read: ${outcome.problems.map(problemLine).join('; ')}`)
}

/** What a document is called, whatever else is wrong with it. */
export function nameIn(data: unknown): string {
  const name = typeof data === 'object' && data !== null && 'name' in data ? data.name : undefined
  return typeof name === 'string' && name.trim() !== '' ? name : '(without a name)'
}
