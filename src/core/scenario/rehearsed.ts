import { Type, type Static } from '@sinclair/typebox'
import { about, closed } from '@/core/json/vocabulary'
import { MEASURE_IDS, MEASURE_UNITS, VERDICTS } from '@/core/scenario/measureIds'

const Short = (maxLength: number) => Type.String({ minLength: 1, maxLength })

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
            id: Type.Union(MEASURE_IDS.map((id) => Type.Literal(id))),
            value: Type.Number(),
            unit: Type.Union(MEASURE_UNITS.map((unit) => Type.Literal(unit))),
            against: Type.Union([Type.Number(), Type.Null()]),
            atS: Type.Union([Type.Number(), Type.Null()]),
            verdict: Type.Union(VERDICTS.map((verdict) => Type.Literal(verdict))),
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
