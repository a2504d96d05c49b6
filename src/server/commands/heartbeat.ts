import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { leavePresence, touchPresence, type Present } from '@/db/queries/presence'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Object({ pageId: Uuid, installationId: Uuid, isLeaving: Type.Optional(Type.Boolean()) }, closed),
)

/** A page says that it is open, and hears who else has the installation open and which version is kept. */
export async function heartbeat(scope: Scope, input: unknown): Promise<Result<Present>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { isLeaving, ...page } = read.value
  if (isLeaving) {
    await leavePresence(scope, page.pageId)
    return { kind: 'done', others: [], version: 0 }
  }
  const present = await touchPresence(scope, page)
  return present ? { kind: 'done', ...present } : { kind: 'unknown' }
}
