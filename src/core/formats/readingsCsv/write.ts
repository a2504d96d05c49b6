import Papa from 'papaparse'
import { AS_WRITTEN, type ReadingQuantity } from '@/core/formats/readingsCsv/layout'
import type { ReadingRow } from '@/core/formats/readingsCsv/reader'
import { quantitySpec } from '@/core/quantity/units'

/** A value without the dust of its conversion: 64.4 °F is 18 °C, not 18.000000000000007. */
const asRead = (value: number): number => Number(value.toPrecision(12))

/** Readings as a CSV that can be imported again: base units named in the headings; times as the logger wrote them, or as instants with
 *  their Z where its zone is known. */
export function writeReadingsCsv(
  columns: readonly { readonly name: string; readonly quantity: ReadingQuantity }[],
  zone: string,
): { readonly header: string; readonly rows: (rows: readonly ReadingRow[]) => string } {
  const named = columns.map(({ name, quantity }) => {
    const { label, units } = quantitySpec(quantity)
    return name.includes(units[0].symbol) ? name : `${label} (${units[0].symbol})`
  })
  const lines = (table: readonly (readonly (string | number)[])[]) =>
    `${Papa.unparse(
      table.map((cells) => [...cells]),
      { newline: '\n', escapeFormulae: true },
    )}\n`
  const timeText = (atMs: number) => {
    const iso = new Date(atMs).toISOString()
    return zone === AS_WRITTEN ? iso.slice(0, 19).replace('T', ' ') : iso
  }
  return {
    header: lines([['time', ...named]]),
    rows: (rows) =>
      lines(
        rows.map(({ atMs, values }) => [
          timeText(atMs),
          ...values.map((value, column) =>
            columns[column]?.quantity === 'contact' ? (value >= 0.5 ? 'on' : 'off') : asRead(value),
          ),
        ]),
      ),
  }
}
