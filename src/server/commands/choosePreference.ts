import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import { CLOCKS, DATE_ORDERS, WEEK_STARTS } from '@/core/quantity/dateStyle'
import { DECIMAL_MARKS, FLOW_CHOICES, knownUnits, TEMPERATURE_CHOICES, UNIT_CHOICES } from '@/core/quantity/format'
import type { Scope } from '@/db/client'
import { TEXT_SIZES, type TextSize } from '@/core/quantity/display'
import { saveDisplay, savePreference } from '@/db/queries/workspace'
import { closed } from '@/core/json/vocabulary'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Object(
    {
      temperatureUnit: Type.Union(TEMPERATURE_CHOICES.map((unit) => Type.Literal(unit))),
      flowUnit: Type.Union(FLOW_CHOICES.map((unit) => Type.Literal(unit))),
      units: Type.Object(
        Object.fromEntries(
          Object.entries(UNIT_CHOICES).map(([kind, choices]) => [
            kind,
            Type.Optional(Type.Union(choices.map((unit) => Type.Literal(unit)))),
          ]),
        ),
        closed,
      ),
    },
    closed,
  ),
)

export async function choosePreference(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { units, ...rest } = read.value
  await savePreference(scope, { ...rest, units: knownUnits(units) })
  return { kind: 'done' }
}

const oneOf = <T extends string>(choices: readonly T[]) => Type.Union(choices.map((one) => Type.Literal(one)))

const readDisplay = validator(
  Type.Object(
    {
      textSize: Type.Union((Object.keys(TEXT_SIZES) as TextSize[]).map((size) => Type.Literal(size))),
      hand: Type.Union([Type.Literal('right'), Type.Literal('left')]),
      dates: Type.Object({ order: oneOf(DATE_ORDERS), clock: oneOf(CLOCKS), weekFrom: oneOf(WEEK_STARTS) }, closed),
      // A page that was opened before it could be chosen says nothing of it.
      decimalMark: Type.Optional(oneOf(DECIMAL_MARKS)),
    },
    closed,
  ),
)

/** Text size, hand, and how dates and figures are read. */
export async function chooseDisplay(scope: Scope, input: unknown): Promise<Result> {
  const read = readDisplay(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  await saveDisplay(scope, { decimalMark: '.', ...read.value })
  return { kind: 'done' }
}
