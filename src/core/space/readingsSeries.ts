import type { Response } from '@/core/response/schema'
import type { Series } from '@/core/space/series'

export type ReadingTable = {
  readonly columns: readonly ('temperature' | 'humidity')[]
  readonly atMs: readonly number[]
  readonly values: readonly (readonly number[])[]
}

/** A readings file as inputs of a response: each column feeds the first input of its quantity; the rest stay at rest. */
export function readingsSeries({ columns, atMs, values }: ReadingTable, { inputs }: Response): Series {
  const [first = 0] = atMs
  const used = columns.flatMap((quantity, index) => {
    const input = inputs.find(({ kind }) => kind === quantity)
    const isFirst = columns.indexOf(quantity) === index
    return input && isFirst ? [{ id: input.id, values: Float64Array.from(values[index] ?? []) }] : []
  })
  // Times are kept as the logger's wall clock, as if in UTC; 1 January 1970 was a Thursday.
  const clock = Float64Array.from(atMs, (ms) => (ms / 1000 + 3 * 86400) % 604800)
  return {
    atS: Float64Array.from(atMs, (ms) => (ms - first) / 1000),
    inputs: [...used.map(({ id }) => id), 'clock'],
    values: [...used.map((column) => column.values), clock],
  }
}
