import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { addMember, changeMember, listMemberships } from '@/db/queries/member'
import { closed } from '@/core/json/vocabulary'
import { makeWorkspace } from '@/server/makeWorkspace'
import type { Result } from '@/server/result'
import { ROLES } from '@/server/rights'

const readInput = validator(
  Type.Object(
    {
      personId: Type.String({ minLength: 1, maxLength: 80 }),
      role: Type.Union([...ROLES.map((role) => Type.Literal(role)), Type.Null()]),
    },
    closed,
  ),
)

/** Gives a member another role, or takes them out of the workspace (`role: null`). What they sealed and wrote stays, under their name. */
export async function changeRole(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { personId, role } = read.value
  return change(scope, personId, role)
}

/** Takes oneself out of the workspace. */
export const leaveWorkspace = (scope: Scope): Promise<Result> => change(scope, scope.personId, null)

async function change(scope: Scope, personId: string, role: string | null): Promise<Result> {
  const outcome = await changeMember(scope, personId, role)
  if (outcome === 'last-owner') {
    return { kind: 'invalid', problems: [{ code: 'last_owner', path: 'role' }] }
  }
  if (outcome === 'unknown') return { kind: 'unknown' }
  // Nobody stands without a workspace.
  if (role === null && (await listMemberships(personId)).length === 0)
    await addMember({ workspaceId: await makeWorkspace('My yard'), personId, role: 'owner' })
  return { kind: 'done' }
}
