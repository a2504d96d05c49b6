import { Type, type Static } from '@sinclair/typebox'
import { DUTIES } from '@/core/brief/duty'
import { RoomList } from '@/core/brief/flowTable'
import { about, closed, documentSchema } from '@/core/json/vocabulary'

const Why = Type.String({ maxLength: 300 })

/** A band to hold, and a limit never to pass. Temperatures in °C, humidity in %RH; null where there is none. */
export const Target = Type.Object(
  {
    quantity: about(
      'what is held: temperature in °C, humidity in %RH',
      Type.Union([Type.Literal('temperature'), Type.Literal('humidity')]),
    ),
    bandFrom: about('lower end of the band to hold', Type.Number()),
    bandTo: about('upper end of the band to hold', Type.Number()),
    limitAbove: about('never above this; null where there is no limit', Type.Union([Type.Number(), Type.Null()])),
    why: about('what it is for', Why),
    source: about('who says so', Why),
  },
  closed,
)
export type Target = Static<typeof Target>

export const BRIEF_SCHEMA = 'soft-gale/brief@1'
export const Brief = Type.Object(
  {
    schema: documentSchema(BRIEF_SCHEMA),
    duty: about('what the fan is there for', Type.Union(DUTIES.map((duty) => Type.Literal(duty)))),
    space: about(
      'the space it serves',
      Type.Object(
        {
          about: about('what it is, in words', Type.String({ maxLength: 300 })),
          volumeM3: about(
            'volume, m³; null: not known',
            Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 1e6 }), Type.Null()]),
          ),
          heatLoadW: about(
            'heat to carry away, W; null: not known',
            Type.Union([Type.Number({ minimum: 0, maximum: 1e7 }), Type.Null()]),
          ),
          allowedRiseK: about(
            'how much warmer than the air that comes in it may be, K; null: not known',
            Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 60 }), Type.Null()]),
          ),
        },
        closed,
      ),
    ),
    answers: about(
      'answers to the duty’s own questions, by their ids, numbers in base units; null is “I do not know yet”',
      Type.Optional(
        Type.Record(
          Type.String({ pattern: '^[a-z][A-Za-z0-9]{0,30}$' }),
          Type.Union([Type.Number(), Type.String({ maxLength: 60 }), Type.Boolean(), Type.Null()]),
        ),
      ),
    ),
    rooms: about('rooms of the space, with what each wants', Type.Optional(RoomList)),
    targets: about('bands to hold and limits', Type.Array(Target, { maxItems: 8 })),
    requiredFlow: about(
      'flow that must not be undercut (L/s), and why; always, while somebody is there, or as a mean over a time (s)',
      Type.Union([
        Type.Object(
          {
            flowLs: about('the flow, L/s', Type.Number({ minimum: 0, maximum: 1e5 })),
            why: about('who asks for it', Why),
            kept: about(
              'when it is kept; always where nothing is said',
              Type.Optional(Type.Union([Type.Literal('always'), Type.Literal('occupied'), Type.Literal('mean')])),
            ),
            overS: about(
              'the time the mean is taken over, seconds',
              Type.Optional(Type.Number({ minimum: 60, maximum: 86400 })),
            ),
          },
          closed,
        ),
        Type.Null(),
      ]),
    ),
  },
  closed,
)
export type Brief = Static<typeof Brief>
