import type { Problem } from '@/core/problem'
import type { ReadingColumns } from '@/core/formats/readingsCsv/columns'
import { parseLoggerTime } from '@/core/formats/readingsCsv/time'

export type ReadingRow = { readonly atMs: number; readonly values: readonly number[] }

export type RowOutcome =
  { readonly ok: true; readonly row: ReadingRow } | { readonly ok: false; readonly problem: Problem }

const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/

const PLAUSIBLE = { temperature: [-60, 650], humidity: [0, 100] } as const

/** Reads the lines of a readings file one after another: times must rise, and one decimal mark is used throughout.
 *  Temperatures come out in °C, humidity in %RH. */
export function rowReader({
  timeIndex,
  columns,
}: ReadingColumns): (cells: readonly string[], lineNumber: number) => RowOutcome {
  let lastMs = -Infinity
  let lastLine = 0
  let decimal: ',' | '.' | null = null
  return (cells, lineNumber) => {
    const path = `line ${lineNumber}`
    const refuse = (text: string): RowOutcome => ({ ok: false, problem: { code: 'said', path, text } })
    const timeText = cells[timeIndex] ?? ''
    const atMs = parseLoggerTime(timeText)
    if (Number.isNaN(atMs)) return refuse(`“${timeText}” is not a time; write 2026-11-09 14:20:00.`)
    const values: number[] = []
    for (const { index, name, quantity, unit } of columns) {
      const cell = (cells[index] ?? '').trim()
      if (cell === '') return refuse(`${name} is empty.`)
      if (!NUMBER.test(cell)) return refuse(`“${cell}” in ${name} is not a number.`)
      const mark = cell.includes(',') ? ',' : cell.includes('.') ? '.' : null
      if (mark && decimal && mark !== decimal)
        return refuse(`${name} has “${mark}” where earlier lines have “${decimal}”; use one decimal mark throughout.`)
      decimal ??= mark
      const raw = Number(cell.replace(',', '.'))
      const value = unit === 'F' ? ((raw - 32) * 5) / 9 : raw
      const [min, max] = PLAUSIBLE[quantity]
      if (value < min || value > max) return refuse(`${name} is ${cell}, which no such reading can be; check its unit.`)
      values.push(value)
    }
    if (atMs === lastMs) return refuse(`the time is the same as on line ${lastLine}.`)
    if (atMs < lastMs) return refuse(`the time goes back, behind line ${lastLine}.`)
    lastMs = atMs
    lastLine = lineNumber
    return { ok: true, row: { atMs, values } }
  }
}
