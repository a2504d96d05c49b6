import type { Response } from '@/core/response/schema'
import { namedSpans, type NamedSpans } from '@/core/response/weekSpans'
import type { WeekSpan } from '@/core/rules/weekSpan'

const DAY_MIN = 1440

/** What of a span lies on one day. */
export type Piece = {
  /** Day of the week on which it lies, 0 for Monday. */
  readonly day: number
  readonly fromMin: number
  readonly toMin: number
  /** The day on which its span begins: the day before for what runs on over midnight. */
  readonly ownDay: number
}

/** Each span day by day; one that ends before it starts is two pieces, and Sunday runs on into Monday. */
export const piecesOf = ({ days, startMin, endMin }: WeekSpan): readonly Piece[] =>
  days.flatMap((day): Piece[] =>
    endMin > startMin
      ? [{ day, fromMin: startMin, toMin: endMin, ownDay: day }]
      : [
          { day, fromMin: startMin, toMin: DAY_MIN, ownDay: day },
          ...(endMin > 0 ? [{ day: (day + 1) % 7, fromMin: 0, toMin: endMin, ownDay: day }] : []),
        ],
  )

/** The same of one thing that hangs on the clock beside the painted weeks. */
export type OtherSpans = Pick<NamedSpans, 'name'> & {
  readonly how: Exclude<NamedSpans['how'], 'painted'>
  readonly pieces: readonly Piece[]
}

/** All that hangs on the clock beside the painted weeks; what is never is left out. */
export const otherClockSpans = (response: Response): readonly OtherSpans[] =>
  namedSpans(response).flatMap(({ name, how, spans }) =>
    how === 'painted' || spans.length === 0 ? [] : [{ name, how, pieces: spans.flatMap(piecesOf) }],
  )
