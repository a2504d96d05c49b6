import { Type, type Static } from '@sinclair/typebox'
import { ok, type Outcome } from '@/core/json/problem'
import { validator } from '@/core/json/validator'
import { closed } from '@/core/json/vocabulary'

const Figure = Type.Number({ minimum: -1e6, maximum: 1e6 })
const FansPct = Type.Record(Type.String({ maxLength: 40 }), Type.Number({ minimum: 0, maximum: 100 }), {
  maxProperties: 16,
})

/** What was read at one step: inputs in their base units as the instrument beside the probe has them; each fan’s speed in percent, or in volts
 *  at its signal terminals. */
export const StepReading = Type.Object(
  {
    inputs: Type.Record(Type.String({ maxLength: 40 }), Figure, { maxProperties: 16 }),
    fansPct: FansPct,
    fansV: Type.Optional(
      Type.Record(Type.String({ maxLength: 40 }), Type.Number({ minimum: 0, maximum: 480 }), { maxProperties: 16 }),
    ),
  },
  closed,
)
export type StepReading = Static<typeof StepReading>

/** What a person read for a check. `value` is a figure that goes on the record beside what was seen. */
export const CheckReading = Type.Union([
  Type.Object({ kind: Type.Literal('speed'), steps: Type.Array(StepReading, { minItems: 1, maxItems: 8 }) }, closed),
  Type.Object({ kind: Type.Literal('time'), timeS: Type.Number({ minimum: 0, maximum: 604800 }) }, closed),
  Type.Object({ kind: Type.Literal('seen'), asExpected: Type.Boolean() }, closed),
  /** Nothing could be read here, and why. */
  Type.Object({ kind: Type.Literal('not-possible'), why: Type.String({ minLength: 3, maxLength: 300 }) }, closed),
])
export type CheckReading = Static<typeof CheckReading>

/** A reading of a speed as it was kept before a check had steps. */
const OneSpeed = Type.Object(
  { kind: Type.Literal('speed'), inputRead: Type.Union([Figure, Type.Null()]), fansPct: FansPct },
  closed,
)

const readOneSpeed = validator(OneSpeed)
const readNow = validator(CheckReading)

export function readCheckReading(data: unknown): Outcome<CheckReading> {
  const before = readOneSpeed(data)
  return before.ok ? ok({ kind: 'speed', steps: [{ inputs: {}, fansPct: before.value.fansPct }] }) : readNow(data)
}
