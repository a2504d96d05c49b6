import type { Problem } from '@/core/json/problem'

/** Items of a list that carry the same mark: what speaks of one of them would speak of both. */
export const twice = (path: string, key: string, what: string, marks: readonly string[]): Problem[] =>
  marks.flatMap((got, index): Problem[] =>
    marks.indexOf(got) < index ? [{ code: 'duplicate_id', path: `${path}.${index}.${key}`, what, got }] : [],
  )
