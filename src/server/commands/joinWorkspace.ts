import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import { useInvite } from '@/db/queries/invite'
import { chooseWorkspace, listMemberships } from '@/db/queries/member'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import { hashOf } from '@/server/invitation'
import type { Result } from '@/server/result'
import type { Signed } from '@/server/scope'

const readInput = validator(
  Type.Object({ workspaceId: Uuid, token: Type.String({ minLength: 20, maxLength: 100 }) }, closed),
)

/** Whoever holds a link that is still good becomes a member, and works there from now on. Sent twice it is one joining. */
export async function joinWorkspace(
  { scope: { personId, personName }, sessionId }: Pick<Signed, 'scope' | 'sessionId'>,
  input: unknown,
): Promise<Result<{ workspaceId: string }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { workspaceId, token } = read.value
  const isNew = await useInvite({ workspaceId }, hashOf(token), { personId, personName })
  const isMember = isNew || (await listMemberships(personId)).some((known) => known.workspaceId === workspaceId)
  if (!isMember) return { kind: 'unknown' }
  await chooseWorkspace(personId, sessionId, workspaceId)
  return { kind: 'done', workspaceId }
}
