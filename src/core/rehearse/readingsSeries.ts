import type { ReadingQuantity } from '@/core/formats/readingsCsv/layout'
import { wallClock } from '@/core/formats/readingsCsv/zone'
import { withoutInputs } from '@/core/machine/withoutInputs'
import type { Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import type { Feeds } from '@/core/rehearse/feeds'
import type { Series } from '@/core/rehearse/series'

export type ReadingTable = {
  /** What each column holds, and what it is headed by. */
  readonly columns: readonly { readonly name: string; readonly quantity: ReadingQuantity }[]
  readonly atMs: readonly number[]
  /** A list for each column, in the base unit. */
  readonly values: readonly (readonly number[])[]
  /** Zone of the logger’s clock, or `as-written`. */
  readonly zone: string
  /** Each value is the mean over so long, where the file had more lines than are replayed one by one. */
  readonly meanOverMs?: number
}

/** A readings file as inputs of a response: each takes its column or the value it is held at. */
export function readingsSeries({ atMs, values, zone }: ReadingTable, feeds: Feeds): Series {
  const [first = 0] = atMs
  const fed = Object.entries(feeds).flatMap(([id, feed]) =>
    feed.kind === 'left-out'
      ? []
      : [
          {
            id,
            values:
              feed.kind === 'column'
                ? Float64Array.from(values[feed.column] ?? [])
                : new Float64Array(atMs.length).fill(feed.value),
          },
        ],
  )
  const wall = wallClock(zone)
  // 1 January 1970 was a Thursday.
  const clock = Float64Array.from(atMs, (ms) => (wall(ms) / 1000 + 3 * 86400) % 604800)
  const date = Float64Array.from(atMs, (ms) => Math.floor(wall(ms) / 86_400_000))
  return {
    atS: Float64Array.from(atMs, (ms) => (ms - first) / 1000),
    inputs: [...fed.map(({ id }) => id), 'clock', 'date'],
    values: [...fed.map((column) => column.values), clock, date],
  }
}

/** The response as these feeds can replay it: what is left out is not there, and what a column gives directly is not made of others. */
export function fedResponse(response: Response, feeds: Feeds): Response {
  const direct = {
    ...response,
    inputs: response.inputs.map((input) => {
      if (!isMeasured(input) || !input.combines || feeds[input.id]?.kind !== 'column') return input
      const { combines: _made, ...read } = input
      return read
    }),
  }
  return withoutInputs(
    direct,
    Object.entries(feeds).flatMap(([id, feed]) => (feed.kind === 'left-out' ? [id] : [])),
  )
}
