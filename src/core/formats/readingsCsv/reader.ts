import { columnUnit, type ReadingLayout } from '@/core/formats/readingsCsv/layout'
import { parseLoggerTime } from '@/core/formats/readingsCsv/time'
import { instantsOf } from '@/core/formats/readingsCsv/zone'
import type { Problem } from '@/core/json/problem'
import { quantitySpec, toBase } from '@/core/quantity/units'

export type ReadingRow = { readonly atMs: number; readonly values: readonly number[] }

type RowOutcome = { readonly ok: true; readonly row: ReadingRow } | { readonly ok: false; readonly problem: Problem }

const NUMBER = /^[+-]?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?$/

/** What loggers write for a contact: a door is on while it is open. */
const CONTACT_WORDS: Readonly<Record<string, number>> = {
  on: 1,
  off: 0,
  open: 1,
  closed: 0,
  true: 1,
  false: 0,
  yes: 1,
  no: 0,
  '1': 1,
  '0': 0,
}
/** 1 or 0 for a word of a contact; null for anything else. */
export const contactState = (cell: string): number | null => CONTACT_WORDS[cell.trim().toLowerCase()] ?? null

export type RowReader = (cells: readonly string[], lineNumber: number) => RowOutcome

/** Reads the lines of a readings file one after another: times must rise, and one decimal mark is used throughout.
 *  Values come out in the base unit of their quantity. */
export function rowReader(layout: Omit<ReadingLayout, 'delimiter' | 'skipLines'>): RowReader {
  const { timeIndex, timeOfDayIndex, dateOrder, zone } = layout
  const columns = layout.columns.map((column) => {
    const unit = columnUnit(column)
    if (!unit) throw new RangeError(`${column.quantity} has no unit ${column.unit}`)
    return { ...column, unit, plausible: quantitySpec(column.quantity).plausible }
  })
  const instants = instantsOf(zone)
  let lastMs = -Infinity
  let lastLine = 0
  let { decimal } = layout
  return (cells, lineNumber) => {
    const path = `line ${lineNumber}`
    const refuse = (problem: Problem): RowOutcome => ({ ok: false, problem })
    const timeText =
      timeOfDayIndex === undefined
        ? (cells[timeIndex] ?? '')
        : `${cells[timeIndex] ?? ''} ${cells[timeOfDayIndex] ?? ''}`
    const time = parseLoggerTime(timeText, dateOrder)
    if (!time) return refuse({ code: 'not_a_time', path, got: timeText })
    const possible = time.isInstant ? [time.ms] : instants(time.ms)
    // In the hour that the clock shows twice, the second time round is the one that still comes after the line before.
    const atMs = possible.find((ms) => ms > lastMs) ?? possible[possible.length - 1]
    if (atMs === undefined) return refuse({ code: 'hour_not_there', path, got: timeText.trim(), zone })
    const values: number[] = []
    for (const { index, name, quantity, unit, plausible } of columns) {
      const cell = (cells[index] ?? '').trim()
      if (cell === '') return refuse({ code: 'empty_cell', path, what: name })
      if (quantity === 'contact') {
        const state = contactState(cell)
        if (state === null) return refuse({ code: 'no_contact', path, got: cell, what: name })
        values.push(state)
        continue
      }
      if (!NUMBER.test(cell)) return refuse({ code: 'cell_not_a_number', path, got: cell, what: name })
      const mark = cell.includes(',') ? ',' : cell.includes('.') ? '.' : null
      if (mark && decimal && mark !== decimal)
        return refuse({ code: 'other_decimal', path, what: name, got: mark, before: decimal })
      decimal ??= mark
      const value = toBase(unit, Number(cell.replace(',', '.')))
      if (value < plausible[0] || value > plausible[1])
        return refuse({ code: 'impossible_reading', path, what: name, got: cell })
      values.push(value)
    }
    if (atMs === lastMs) return refuse({ code: 'same_time', path, line: lastLine })
    if (atMs < lastMs) return refuse({ code: 'time_goes_back', path, line: lastLine })
    lastMs = atMs
    lastLine = lineNumber
    return { ok: true, row: { atMs, values } }
  }
}
