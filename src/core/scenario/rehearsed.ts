import { Type, type Static } from '@sinclair/typebox'
import { about, closed } from '@/core/json/vocabulary'
import { MEASURE_IDS, MEASURE_UNITS, VERDICTS } from '@/core/scenario/measureIds'

const Short = (maxLength: number) => Type.String({ minLength: 1, maxLength })

/** So many are kept with an installation. */
export const MOST_REHEARSED = 12

/** What a rehearsal came to, in short: kept with the installation and sealed with it. */
export const Rehearsed = Type.Object(
  {
    scenario: about('id of the day', Short(40)),
    name: about('what the day is called', Short(60)),
    days: about('how many days', Type.Integer({ minimum: 1, maximum: 366 })),
    startsOn: about('its first day', Short(10)),
    given: about('mark of the response as it was given', Short(80)),
    measures: about(
      'what it came to, as measures of a rehearsal',
      Type.Array(
        Type.Object(
          {
            id: about('which measure', Type.Union(MEASURE_IDS.map((id) => Type.Literal(id)))),
            value: about('its figure', Type.Number()),
            unit: about('the unit of its figure', Type.Union(MEASURE_UNITS.map((unit) => Type.Literal(unit)))),
            against: about('what it is held against; null: nothing', Type.Union([Type.Number(), Type.Null()])),
            atS: about(
              'its worst moment, seconds from the start; null: none',
              Type.Union([Type.Number(), Type.Null()]),
            ),
            verdict: about(
              'whether it keeps what the brief asks',
              Type.Union(VERDICTS.map((verdict) => Type.Literal(verdict))),
            ),
          },
          closed,
        ),
        { maxItems: 30 },
      ),
    ),
  },
  closed,
)
export type Rehearsed = Static<typeof Rehearsed>
