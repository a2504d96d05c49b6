import { Type, type Static } from '@sinclair/typebox'
import { about, closed, documentSchema } from '@/core/json/vocabulary'
import type { Problem } from '@/core/json/problem'
import { MEASURE_IDS } from '@/core/scenario/measureIds'

const MeasureName = about('a measure of a rehearsal', Type.Union(MEASURE_IDS.map((id) => Type.Literal(id))))

export const AIMS_SCHEMA = 'soft-gale/aims@1'
/** What counts when settings are looked for, over which days, and what may move. */
export const Aims = Type.Object(
  {
    schema: documentSchema(AIMS_SCHEMA),
    over: about(
      'the days it is tried over, ids of scenarios; the first is the hardest and sorts out',
      Type.Array(Type.String({ minLength: 1, maxLength: 40 }), { minItems: 1, maxItems: 6 }),
    ),
    days: about('how many days each', Type.Integer({ minimum: 1, maximum: 14 })),
    hard: about(
      'limits that must be kept: the measure at most (or at least) this much, in its base unit (s, °C, dB, L/s, kWh)',
      Type.Array(
        Type.Object(
          {
            measure: MeasureName,
            atMost: about('at most this much', Type.Optional(Type.Number())),
            atLeast: about('at least this much', Type.Optional(Type.Number())),
          },
          closed,
        ),
        { maxItems: 8 },
      ),
    ),
    then: about(
      'what counts after that, the first most; less of each is better unless it says more. Weights where they are named, else each half of the one before',
      Type.Array(
        Type.Object(
          {
            measure: MeasureName,
            weight: about('how much it counts', Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1000 }))),
          },
          closed,
        ),
        { maxItems: 6 },
      ),
    ),
    move: about(
      'what may move: places of the response, and how far; all that can where none is named',
      Type.Optional(
        Type.Array(
          Type.Object(
            {
              place: about('a place of the response, such as rules.temp.startAt', Type.String({ maxLength: 120 })),
              from: about('the least it may be', Type.Optional(Type.Number())),
              to: about('the most it may be', Type.Optional(Type.Number())),
            },
            closed,
          ),
          { maxItems: 12 },
        ),
      ),
    ),
    tries: about('how many settings are tried', Type.Integer({ minimum: 10, maximum: 100000 })),
    seed: about('seed of all that is by chance', Type.Integer({ minimum: 0, maximum: 4294967295 })),
  },
  closed,
)
export type Aims = Static<typeof Aims>

/** What is wrong with aims by themselves. */
export function checkAims({ hard, then, move = [] }: Aims): Problem[] {
  return [
    ...(then.length === 0 ? [{ code: 'no_aims', path: 'then' } as const] : []),
    ...then.flatMap(({ measure }, index): Problem[] =>
      then.findIndex((other) => other.measure === measure) < index
        ? [{ code: 'duplicate_id', path: `then.${index}.measure`, what: 'aims', got: measure }]
        : [],
    ),
    ...hard.flatMap(({ measure, atMost, atLeast }, index): Problem[] => {
      const path = `hard.${index}`
      if (atMost === undefined && atLeast === undefined) return [{ code: 'missing', path, what: 'How much is allowed' }]
      const all = hard.filter((other) => other.measure === measure)
      const most = Math.min(...all.map((other) => other.atMost ?? Infinity))
      const least = Math.max(...all.map((other) => other.atLeast ?? -Infinity))
      return most < least
        ? [{ code: 'aims_contradict', path, what: `“${measure}” at most ${most} and at least ${least}` }]
        : []
    }),
    ...move.flatMap(({ from, to, place }, index): Problem[] =>
      from !== undefined && to !== undefined && from > to
        ? [
            {
              code: 'order',
              path: `move.${index}.from`,
              low: `The least of ${place}`,
              lowValue: from,
              high: 'the most',
              highValue: to,
              unit: '',
            },
          ]
        : [],
    ),
  ]
}
