import Papa from 'papaparse'
import { guessLayout } from '@/core/formats/readingsCsv/guessLayout'
import { rowReader } from '@/core/formats/readingsCsv/reader'
import { fail, ok, type Outcome, type Problem } from '@/core/json/problem'
import type { ReadingTable } from '@/core/rehearse/readingsSeries'

const MOST_PROBLEMS = 20

/** A readings CSV as a table, or every bad line up to a number a person can read. */
export function readTable(text: string): Outcome<ReadingTable> {
  const guess = guessLayout(text)
  if (!guess.ok) return guess
  const { layout } = guess.value
  const lines = Papa.parse<string[]>(text.trimEnd(), { delimiter: layout.delimiter }).data
  const read = rowReader(layout)
  const problems: Problem[] = []
  const atMs: number[] = []
  const values = layout.columns.map((): number[] => [])
  lines.slice(layout.skipLines + 1).forEach((cells, index) => {
    const outcome = read(cells, layout.skipLines + index + 2)
    if (!outcome.ok) problems.push(outcome.problem)
    else {
      atMs.push(outcome.row.atMs)
      outcome.row.values.forEach((value, column) => values[column]!.push(value))
    }
  })
  return problems.length > 0
    ? fail(...problems.slice(0, MOST_PROBLEMS))
    : ok({
        columns: layout.columns.map(({ name, quantity }) => ({ name, quantity })),
        atMs,
        values,
        zone: layout.zone,
      })
}
