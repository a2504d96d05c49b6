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
  Type.Object({ id: Uuid, baseVersion: Type.Integer({ minimum: 1 }), saveId: Uuid, document: Type.Unknown() }, closed),
)

/** Keeps a change of the working copy. The document is checked whole, so nothing half-made is ever kept. */
export async function keepWorkingCopy(
  scope: Scope,
  input: unknown,
): Promise<Result<{ version: number; savedAt: string }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const opened = await heavy('openInstallation', read.value.document)
  if (opened.kind === 'unreadable') return { kind: 'invalid', problems: opened.problems }
  const problems = opened.kind === 'marked' ? opened.problems : []
  const { id, baseVersion, saveId } = read.value
  const outcome = await saveWorkingCopy(scope, { id, baseVersion, saveId, document: opened.document, problems })
  switch (outcome.kind) {
    case 'kept':
      await refreshLine(scope, id)
      return { kind: 'done', version: outcome.version, savedAt: outcome.savedAt.toISOString() }
    case 'behind':
      return {
        kind: 'behind',
        version: outcome.version,
        savedBy: outcome.savedBy,
        savedAt: outcome.savedAt.toISOString(),
      }
    case 'contradicts':
      return { kind: 'invalid', problems: outcome.problems }
    case 'unknown':
      return outcome
  }
}
