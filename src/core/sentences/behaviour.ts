import type { Installation } from '@/core/installation/installation'
import type { Path } from '@/core/json/path'
import type { Explanation } from '@/core/machine/explain'
import type { UnitPreference } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import type { Response } from '@/core/response/schema'
import type { Cause, MoreAction, SentencePart } from '@/core/rules/kind'

/** What a sentence has to know besides its own part. */
export type SentenceContext = {
  readonly response: Response
  readonly fanName: (id: string) => string
  readonly preference: UnitPreference
}

/** A behaviour that can be added here. A figure typed among the words goes to `figure`. */
export type Offer = {
  readonly sentence: string
  readonly words: string
  /** What leaflets and people call it besides. */
  readonly also?: readonly string[]
  readonly figure?: { readonly quantity: Quantity; readonly typedUnit: string }
  /** @param today the date where somebody adds it, YYYY-MM-DD: what counts days begins there */
  readonly add: (draft: Installation, figure: number | null, today: string) => void
}

/** Everything the program says of one kind of behaviour, so that the next one is a new file and one line in a table: its fields,
 *  sentence, colour, what it does now, its reason, and how it is added. `V` is the part of the response it describes. */
export type BehaviourKind<V> = {
  /** Where such parts stand in a response. */
  readonly places: (response: Response) => readonly Path[]
  readonly name: (value: V, context: SentenceContext, place: Path) => string
  readonly cause: (value: V, context: SentenceContext, place: Path) => Cause
  readonly sentence: (value: V, context: SentenceContext, place: Path) => readonly SentencePart[]
  /** What the trade calls it, with the figure it would name; not for one whose sentence says as much. */
  readonly trade?: (value: V, context: SentenceContext) => string
  /** What it does at this instant, in a few words. */
  readonly now: (value: V, explanation: Explanation, context: SentenceContext, place: Path) => string
  readonly why: (value: V) => { readonly formula: string; readonly source: string }
  /** Part of every response, or made use of elsewhere: neither switched off nor removed. */
  readonly isFixed?: true
  /** What stands in its place where it is not; nothing where none is named. */
  readonly absent?: null
  readonly more?: (value: V, context: SentenceContext) => readonly MoreAction<V>[]
  readonly offers: (installation: Installation) => readonly Offer[]
}

/** The one place of a part that is there once or not at all. */
export const onceAt =
  (place: keyof Response) =>
  (response: Response): readonly Path[] =>
    response[place] == null ? [] : [place]

/** The places of the items of a list. */
export const eachOf =
  (place: 'reductions' | 'skipBands' | 'stepUps') =>
  (response: Response): readonly Path[] =>
    (response[place] ?? []).map((_item, index) => `${place}.${index}`)

export const ofCommonPractice = 'common practice, no source'
