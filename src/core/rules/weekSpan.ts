import { Type, type Static } from '@sinclair/typebox'
import type { Problem } from '@/core/json/problem'
import { about, closed, Id } from '@/core/json/vocabulary'

const DAYS = Type.Array(Type.Integer({ minimum: 0, maximum: 6 }), { minItems: 1, maxItems: 7 })
export const span = {
  days: about('days of the week, 0 for Monday to 6 for Sunday', DAYS),
  startMin: about(
    'start in minutes of the local day, 0 to 1439; the minute itself counts',
    Type.Integer({ minimum: 0, maximum: 1439 }),
  ),
  endMin: about(
    'end in minutes of the local day, up to 1440; the minute itself does not count; before the start: on the next day',
    Type.Integer({ minimum: 0, maximum: 1440 }),
  ),
}
/** Days from 0 (Monday) to 6; minutes of the local day. One that ends before it starts runs over midnight. */
export const WeekSpan = Type.Object(span, closed)
export type WeekSpan = Static<typeof WeekSpan>

/** A time of the week in which a rule starts (a ramp) or comes on (a differential) at another point; its width stays. */
export const SetPoint = Type.Object(
  { ...span, at: about('where the rule starts or comes on meanwhile, in the base unit of its input', Type.Number()) },
  closed,
)
export type SetPoint = Static<typeof SetPoint>
export const setPoints = {
  setPoints: about(
    'times of the week with another point; the width of the rule stays',
    Type.Optional(Type.Array(SetPoint, { minItems: 1, maxItems: 28 })),
  ),
  target: about(
    'the target its points are tied to: they keep their distance from it, whatever moves it. Not together with `setPoints`',
    Type.Optional(Id),
  ),
}

/** Equal times are refused: nobody could say whether none of the day is meant or all of it. */
export const emptySpan = ({ startMin, endMin }: WeekSpan, path: string): Problem[] =>
  startMin === endMin
    ? [
        {
          code: 'no_length',
          path: `${path}.endMin`,
          startMin,
          endMin,
        },
      ]
    : []
