import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { addLogEntry } from '@/db/queries/log'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Type.Union([Uuid, Type.Null()]),
      /** The entry this one puts right. */
      corrects: Type.Optional(Uuid),
      text: Type.String({ minLength: 1, maxLength: 2000, pattern: '\\S' }),
    },
    closed,
  ),
)

export async function writeLog(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  return (await addLogEntry(scope, { ...read.value, kind: 'note' })) ? { kind: 'done' } : { kind: 'unknown' }
}
