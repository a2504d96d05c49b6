import type { ReadingQuantity } from '@/core/formats/readingsCsv/layout'
import { wallClock } from '@/core/formats/readingsCsv/zone'
import type { Response } from '@/core/response/schema'
import type { Series } from '@/core/space/series'

export type ReadingTable = {
  /** Quantity of each column. */
  readonly columns: readonly ReadingQuantity[]
  readonly atMs: readonly number[]
  /** A list for each column, in the base unit. */
  readonly values: readonly (readonly number[])[]
  /** Zone of the logger’s clock, or `as-written`. */
  readonly zone: string
  /** Each value is the mean over so long, where the file had more lines than are replayed one by one. */
  readonly meanOverMs?: number
}

/** A readings file as inputs of a response: each column feeds the first input of its quantity; the rest stay at rest. */
export function readingsSeries({ columns, atMs, values, zone }: ReadingTable, { inputs }: Response): Series {
  const [first = 0] = atMs
  const used = columns.flatMap((quantity, index) => {
    const input = inputs.find(({ kind }) => kind === quantity)
    const isFirst = columns.indexOf(quantity) === index
    return input && isFirst ? [{ id: input.id, values: Float64Array.from(values[index] ?? []) }] : []
  })
  const wall = wallClock(zone)
  // 1 January 1970 was a Thursday.
  const clock = Float64Array.from(atMs, (ms) => (wall(ms) / 1000 + 3 * 86400) % 604800)
  return {
    atS: Float64Array.from(atMs, (ms) => (ms - first) / 1000),
    inputs: [...used.map(({ id }) => id), 'clock'],
    values: [...used.map((column) => column.values), clock],
  }
}
