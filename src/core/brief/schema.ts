import { Type, type Static } from '@sinclair/typebox'
import { DUTIES } from '@/core/brief/duty'
import { RoomList } from '@/core/brief/flowTable'
import { closed } from '@/core/json/vocabulary'

const Why = Type.String({ maxLength: 300 })

/** A band to hold, and a limit never to pass. Temperatures in °C, humidity in %RH; null where there is none. */
export const Target = Type.Object(
  {
    quantity: Type.Union([Type.Literal('temperature'), Type.Literal('humidity')]),
    bandFrom: Type.Number(),
    bandTo: Type.Number(),
    limitAbove: Type.Union([Type.Number(), Type.Null()]),
    why: Why,
    source: Why,
  },
  closed,
)
export type Target = Static<typeof Target>

export const BRIEF_SCHEMA = 'soft-gale/brief@1'
export const Brief = Type.Object(
  {
    schema: Type.Literal(BRIEF_SCHEMA),
    duty: Type.Union(DUTIES.map((duty) => Type.Literal(duty))),
    space: Type.Object(
      {
        about: Type.String({ maxLength: 300 }),
        volumeM3: Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 1e6 }), Type.Null()]),
        heatLoadW: Type.Union([Type.Number({ minimum: 0, maximum: 1e7 }), Type.Null()]),
        allowedRiseK: Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 60 }), Type.Null()]),
      },
      closed,
    ),
    /** Answers to the duty’s own questions, by their ids, numbers in base units; null is “I do not know yet”. */
    answers: Type.Optional(
      Type.Record(
        Type.String({ pattern: '^[a-z][A-Za-z0-9]{0,30}$' }),
        Type.Union([Type.Number(), Type.String({ maxLength: 60 }), Type.Boolean(), Type.Null()]),
      ),
    ),
    rooms: Type.Optional(RoomList),
    targets: Type.Array(Target, { maxItems: 8 }),
    /** Flow that must not be undercut (L/s), and why; always, while somebody is there, or as a mean over a time (s). */
    requiredFlow: Type.Union([
      Type.Object(
        {
          flowLs: Type.Number({ minimum: 0, maximum: 1e5 }),
          why: Why,
          kept: Type.Optional(Type.Union([Type.Literal('always'), Type.Literal('occupied'), Type.Literal('mean')])),
          overS: Type.Optional(Type.Number({ minimum: 60, maximum: 86400 })),
        },
        closed,
      ),
      Type.Null(),
    ]),
  },
  closed,
)
export type Brief = Static<typeof Brief>
