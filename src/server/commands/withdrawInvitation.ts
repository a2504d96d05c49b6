import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { withdrawInvite } from '@/db/queries/invite'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(Type.Object({ id: Uuid }, closed))

/** Makes a link that was not used yet good for nothing. */
export async function withdrawInvitation(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  return (await withdrawInvite(scope, read.value.id)) ? { kind: 'done' } : { kind: 'unknown' }
}
