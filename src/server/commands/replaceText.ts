import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { saveWorkingCopy } from '@/db/queries/installation'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import { heavy } from '@/server/heavy/heavy'
import { refreshLine } from '@/server/refreshLines'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Object(
    { id: Uuid, saveId: Uuid, version: Type.Integer({ minimum: 1 }), text: Type.String({ maxLength: 4_000_000 }) },
    closed,
  ),
)

/** Puts a mended text in the place of a working copy that could not be opened. It must be whole. */
export async function replaceText(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, saveId, version, text } = read.value
  const document = await heavy('readInstallationText', text)
  if (!document.ok) return { kind: 'invalid', problems: document.problems }
  const outcome = await saveWorkingCopy(scope, {
    id,
    baseVersion: version,
    saveId,
    document: document.value,
  })
  switch (outcome.kind) {
    case 'kept':
      await refreshLine(scope, id)
      return { kind: 'done' }
    case 'behind':
      return { ...outcome, savedAt: outcome.savedAt.toISOString() }
    case 'contradicts':
      return { kind: 'invalid', problems: outcome.problems }
    case 'unknown':
      return outcome
  }
}
