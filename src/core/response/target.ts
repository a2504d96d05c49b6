import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Id, Name } from '@/core/json/vocabulary'
import { MODES } from '@/core/rules/common'
import { MEASURED } from '@/core/rules/input'
import { WeekSpan } from '@/core/rules/weekSpan'

/** Another value of a target for as long as all of what is named here stands. */
const TargetChange = Type.Object(
  {
    mode: about('by day or by night alone', Type.Optional(Type.Union(MODES.map((mode) => Type.Literal(mode))))),
    season: about('in this season alone', Type.Optional(Id)),
    spans: about(
      'within these times of the week alone',
      Type.Optional(Type.Array(WeekSpan, { minItems: 1, maxItems: 14 })),
    ),
    at: about('the target meanwhile, in the base unit of its kind', Type.Number()),
  },
  closed,
)

/** What a room is to have. Points that are tied to it keep their distance from it, whatever moves it. */
export const Target = Type.Object(
  {
    id: Id,
    name: Name,
    kind: about('what it is of: °C, %RH, Pa, lx, V', Type.Union(MEASURED.map((kind) => Type.Literal(kind)))),
    at: about('the target, in the base unit of its kind', Type.Number()),
    changes: about(
      'other values of it for a time; of several the first that stands counts',
      Type.Optional(Type.Array(TargetChange, { minItems: 1, maxItems: 12 })),
    ),
    byAge: about(
      'the target by days of growth since `placedOn`, straight lines between; it stands instead of `at`',
      Type.Optional(
        Type.Array(
          Type.Object(
            {
              day: about('day of growth, 0 the day they came', Type.Integer({ minimum: 0, maximum: 1000 })),
              at: about('the target on that day', Type.Number()),
            },
            closed,
          ),
          { minItems: 2, maxItems: 24 },
        ),
      ),
    ),
    follows: about('another target whose moves it makes too, so that the distance stays', Type.Optional(Id)),
  },
  closed,
)
export type Target = Static<typeof Target>
