import type { Problem } from '@/core/json/problem'

/** The days of an age table must rise. */
export const ageProblems = (rows: readonly { readonly day: number }[], path: string): Problem[] =>
  rows.flatMap(({ day }, index): Problem[] =>
    index > 0 && day <= rows[index - 1]!.day
      ? [{ code: 'age_goes_back', path: `${path}.${index}.day`, day, before: rows[index - 1]!.day }]
      : [],
  )

/** The value of a table on a day: straight lines between its rows, its ends before the first and after the last. */
export function onDay(rows: readonly { readonly day: number; readonly value: number }[], day: number): number {
  const next = rows.findIndex((row) => row.day >= day)
  const [after, before] = [rows[next], rows[next - 1]]
  if (!after) return rows.at(-1)!.value
  if (!before || after.day === day) return after.value
  return before.value + ((after.value - before.value) * (day - before.day)) / (after.day - before.day)
}
