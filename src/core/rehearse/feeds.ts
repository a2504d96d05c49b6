import { Type, type Static } from '@sinclair/typebox'
import type { Brief } from '@/core/brief/schema'
import { roleOf } from '@/core/duty/role'
import type { ReadingQuantity } from '@/core/formats/readingsCsv/layout'
import { Id, closed } from '@/core/json/vocabulary'
import { formatQuantity, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { inputQuantity, isMeasured, type Input } from '@/core/rules/input'

/** Where an input takes its readings from: a column of the file, a value held throughout, or nowhere: then nothing that hangs on it is reckoned. */
export const Feed = Type.Union([
  Type.Object({ kind: Type.Literal('column'), column: Type.Integer({ minimum: 0, maximum: 200 }) }, closed),
  Type.Object({ kind: Type.Literal('hold'), value: Type.Number({ minimum: -1e6, maximum: 1e6 }) }, closed),
  Type.Object({ kind: Type.Literal('left-out') }, closed),
])
export type Feed = Static<typeof Feed>
/** By input. One that is made of others is named only where a column gives it directly. */
export const Feeds = Type.Record(Id, Feed, { maxProperties: 16 })
export type Feeds = Static<typeof Feeds>

export type FeedColumn = { readonly name: string; readonly quantity: ReadingQuantity }
export type Fed = { readonly response: Response; readonly brief: Pick<Brief, 'duty' | 'answers' | 'space'> }

/** Whether a column of this quantity can be the readings of an input at all. */
export const canFeed = (quantity: ReadingQuantity, input: Input): boolean =>
  isMeasured(input) ? quantity === input.kind : quantity === 'contact'

const words = (text: string): string[] =>
  text
    .replace(/([a-z])([A-Z0-9])/g, '$1 $2')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')
const COMMON = new Set([
  'temperature',
  'temp',
  'humidity',
  'rh',
  'c',
  'f',
  'contact',
  'switch',
  'probe',
  'sensor',
  'the',
  'of',
  'air',
])
/** A heading that speaks of the air outside. */
export const OUTDOOR = /outdoor|outside|ambient|external|weather/i

/** How well a column’s heading fits an input; null where it names something else. */
function likeness(column: FeedColumn, input: Input, where: Fed): number | null {
  if (!canFeed(column.quantity, input)) return null
  const isOutdoor = roleOf(input, where) === 'outdoor'
  if (OUTDOOR.test(column.name) !== isOutdoor && (isMeasured(input) || isOutdoor)) return null
  const [heading, known] = [
    words(column.name),
    new Set([...words(input.name), ...words(input.id), ...words(roleOf(input, where))]),
  ]
  const numbers = (list: Iterable<string>) => [...list].filter((word) => /^\d+$/.test(word))
  const [headingNo, knownNo] = [numbers(heading), numbers(known)]
  if (headingNo.length > 0 && knownNo.length > 0 && !headingNo.some((no) => knownNo.includes(no))) return null
  const shared = heading.filter((word) => known.has(word))
  return shared.filter((word) => !COMMON.has(word)).length * 10 + shared.length + (isOutdoor ? 10 : 0)
}

const isAlone = (columns: readonly FeedColumn[], inputs: readonly Input[], column: FeedColumn): boolean =>
  columns.filter(({ quantity }) => quantity === column.quantity).length === 1 &&
  inputs.filter((input) => canFeed(column.quantity, input) && !(isMeasured(input) && input.combines)).length === 1

/** What an input is held at where the file says nothing of it: a contact off, light at day; anything else is left out. */
const unfed = (input: Input, { response }: Fed): Feed =>
  !isMeasured(input)
    ? { kind: 'hold', value: 0 }
    : response.light?.input === input.id
      ? { kind: 'hold', value: input.to }
      : { kind: 'left-out' }

/** Which column is which input, proposed by name, kind and unit; a column feeds one input at most. */
export function proposeFeeds(columns: readonly FeedColumn[], where: Fed): Feeds {
  const { inputs } = where.response
  const pairs = columns.flatMap((column, index) =>
    inputs.flatMap((input) => {
      const score = likeness(column, input, where)
      // Its kind alone is enough where nothing else could be meant.
      return score === null || (score < 10 && !isAlone(columns, inputs, column) && !isFirstOfItsKind(input, where))
        ? []
        : [{ index, input, score }]
    }),
  )
  const feeds: Feeds = {}
  const taken = new Set<number>()
  for (const { index, input } of pairs.sort((a, b) => b.score - a.score || a.index - b.index)) {
    if (taken.has(index) || input.id in feeds) continue
    feeds[input.id] = { kind: 'column', column: index }
    taken.add(index)
  }
  for (const input of inputs)
    if (!(input.id in feeds) && !(isMeasured(input) && input.combines)) feeds[input.id] = unfed(input, where)
  return feeds
}

/** The input of its kind that a heading without further words most likely means: what the rules answer to, never the air outside. */
function isFirstOfItsKind(input: Input, where: Fed): boolean {
  if (!isMeasured(input)) return false
  const candidates = where.response.inputs.filter(
    (other) =>
      isMeasured(other) &&
      other.kind === input.kind &&
      !other.combines &&
      !['outdoor', 'body'].includes(roleOf(other, where)),
  )
  return candidates[0]?.id === input.id
}

/** What is taken for each input, in words: said wherever the readings are replayed. */
export function feedText(
  input: Input,
  feed: Feed | undefined,
  columns: readonly FeedColumn[],
  preference: UnitPreference = METRIC,
): string {
  if (feed?.kind === 'column') return `column “${columns[feed.column]?.name ?? String(feed.column + 1)}”`
  if (feed?.kind === 'hold')
    return `not in the file: held ${isMeasured(input) ? `at ${formatQuantity(feed.value, inputQuantity(input), preference)}` : feed.value >= 0.5 ? 'on' : 'off'}`
  return isMeasured(input) && input.combines && feed === undefined
    ? 'made of the others'
    : 'not in the file: left out of the reckoning'
}

/** Feeds that no longer fit what is there: an input or a column that is gone, a column of another kind. */
export const fittingFeeds = (feeds: Feeds, columns: readonly FeedColumn[], where: Fed): Feeds => {
  const proposed = proposeFeeds(columns, where)
  return Object.fromEntries(
    where.response.inputs.flatMap((input): [string, Feed][] => {
      const feed = feeds[input.id]
      const column = feed?.kind === 'column' ? columns[feed.column] : undefined
      const fits = feed && (feed.kind !== 'column' || (column !== undefined && canFeed(column.quantity, input)))
      const taken = fits ? feed : proposed[input.id]
      return taken ? [[input.id, taken]] : []
    }),
  )
}
