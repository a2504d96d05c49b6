import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import { chooseWorkspace } from '@/db/queries/member'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'
import type { Signed } from '@/server/scope'

const readInput = validator(Type.Object({ workspaceId: Uuid }, closed))

/** The session works in another workspace of its person from now on; other sessions stay where they are. */
export async function switchWorkspace(
  { scope, sessionId, workspaceIds }: Pick<Signed, 'scope' | 'sessionId' | 'workspaceIds'>,
  input: unknown,
): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { workspaceId } = read.value
  if (!workspaceIds.includes(workspaceId)) return { kind: 'unknown' }
  await chooseWorkspace(scope.personId, sessionId, workspaceId)
  return { kind: 'done' }
}
