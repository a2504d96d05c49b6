import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Id } from '@/core/json/vocabulary'
import { when } from '@/core/rules/input'
import { WeekSpan } from '@/core/rules/weekSpan'

const input = about('the input that is looked at', Id)
const kind = <K extends string>(name: K) => about('what is looked at', Type.Literal(name))
const target = about(
  'the target its points are tied to: they keep their distance from it, whatever moves it',
  Type.Optional(Id),
)
const release = about(
  'once past the point, how far back it must come to be over, in the same unit',
  Type.Number({ minimum: 0 }),
)

/** A reading past a point. */
export const ReadingCondition = Type.Object(
  {
    kind: kind('input'),
    input,
    when: about('on which side of the point it counts', when),
    at: about('the point, in the base unit of the input', Type.Number()),
    release,
    target,
  },
  closed,
)
export type ReadingCondition = Static<typeof ReadingCondition>

/** Something that is so or not, and that rules as well as other outputs may hang on: a reading past a point, between two, or past another
 *  reading by so much; drier air outside; a contact; a time of the week or of the year. A lost reading is past nothing, and without a clock it
 *  is at no time. */
export const PlainCondition = Type.Union([
  ReadingCondition,
  Type.Object(
    {
      kind: kind('between'),
      input,
      from: about('lowest reading that counts, in the base unit of the input', Type.Number()),
      to: about('highest reading that counts, in the base unit of the input', Type.Number()),
      target,
    },
    closed,
  ),
  Type.Object(
    {
      kind: kind('difference'),
      input,
      minus: about('the input that is taken from it, of the same kind', Id),
      when: about('on which side of the difference it counts', when),
      by: about('the difference, in the unit of the inputs; for temperatures a difference in K', Type.Number()),
      release,
    },
    closed,
  ),
  Type.Object(
    {
      kind: kind('switch'),
      input,
      is: about('the position of the switch that counts', Type.Union([Type.Literal('on'), Type.Literal('off')])),
    },
    closed,
  ),
  Type.Object(
    {
      kind: kind('drier'),
      input: about('temperature inside', Id),
      humidity: about('humidity inside', Id),
      outdoor: about('temperature outside', Id),
      outdoorHumidity: about('humidity outside', Id),
      by: about(
        'how much less water the air outside must hold, kg a kg of dry air; 0: no more than inside',
        Type.Number({ minimum: 0, maximum: 0.02 }),
      ),
    },
    closed,
  ),
  Type.Object({ kind: kind('season'), season: about('the season that counts, an id of `seasons`', Id) }, closed),
  Type.Object(
    {
      kind: kind('clock'),
      spans: about('times of the week that count', Type.Array(WeekSpan, { minItems: 1, maxItems: 14 })),
    },
    closed,
  ),
])
export type PlainCondition = Static<typeof PlainCondition>

/** Times of the week that a condition names. */
export const conditionSpans = (condition: { readonly kind: string } | PlainCondition): readonly WeekSpan[] =>
  'spans' in condition ? condition.spans : []

/** Where in a condition ids of inputs stand. */
export const conditionInputPlaces = (condition: { readonly kind: string }): readonly string[] => [
  ...('input' in condition ? ['input'] : []),
  ...('minus' in condition ? ['minus'] : []),
  ...('outdoorHumidity' in condition ? ['humidity', 'outdoor', 'outdoorHumidity'] : []),
]
