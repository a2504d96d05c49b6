import { Type, type Static } from '@sinclair/typebox'
import { validator } from '@/core/document/validator'

const closed = { additionalProperties: false } as const

/** What a person read for a check. `inputRead` is in the base unit of the check's input; speeds are percent by fan id. */
export const CheckReading = Type.Union([
  Type.Object(
    {
      kind: Type.Literal('speed'),
      inputRead: Type.Union([Type.Number({ minimum: -1e6, maximum: 1e6 }), Type.Null()]),
      fansPct: Type.Record(Type.String(), Type.Number({ minimum: 0, maximum: 100 })),
    },
    closed,
  ),
  Type.Object({ kind: Type.Literal('time'), timeS: Type.Number({ minimum: 0, maximum: 86400 }) }, closed),
  Type.Object({ kind: Type.Literal('seen'), asExpected: Type.Boolean() }, closed),
])
export type CheckReading = Static<typeof CheckReading>

export const readCheckReading = validator(CheckReading)
