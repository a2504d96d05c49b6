import { Type } from '@sinclair/typebox'
import { validator } from '@/core/document/validator'
import type { Scope } from '@/db/client'
import { sealRevision } from '@/db/queries/revision'
import { closed, Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Uuid,
      version: Type.Integer({ minimum: 1 }),
      reason: Type.String({ minLength: 3, maxLength: 300, pattern: '\\S' }),
    },
    closed,
  ),
)

/** Seals the working copy with a reason, for good. */
export async function seal(scope: Scope, input: unknown): Promise<Result<{ number: number }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const outcome = await sealRevision(scope, read.value)
  switch (outcome.kind) {
    case 'sealed':
      return { kind: 'done', number: outcome.number }
    case 'behind':
      return { kind: 'behind', version: outcome.version, savedBy: '', savedAt: '' }
    case 'contradicts':
      return { kind: 'invalid', problems: outcome.problems }
    case 'unknown':
      return outcome
  }
}
