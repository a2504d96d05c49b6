import { and, asc, eq } from 'drizzle-orm'
import { database, inTransaction, type Transaction } from '@/db/client'
import { within, type OfWorkspace } from '@/db/queries/within'
import { member, person, session } from '@/db/schema'

// The tables of people stand outside row security: each query here names the person or the workspace it is about.

export type Membership = { readonly workspaceId: string; readonly role: string }

/** The workspaces a person belongs to, the one that was joined first before the others. */
export const listMemberships = (personId: string): Promise<Membership[]> =>
  database()
    .select({ workspaceId: member.workspaceId, role: member.role })
    .from(member)
    .where(eq(member.personId, personId))
    .orderBy(asc(member.since), asc(member.workspaceId))

export type Member = {
  readonly personId: string
  readonly name: string
  readonly email: string
  readonly role: string
  readonly since: Date
}

export const listMembers = (scope: OfWorkspace): Promise<Member[]> =>
  database()
    .select({
      personId: member.personId,
      name: person.name,
      email: person.email,
      role: member.role,
      since: member.since,
    })
    .from(member)
    .innerJoin(person, eq(person.id, member.personId))
    .where(within(scope, member))
    .orderBy(asc(member.since), asc(member.personId))

/** Makes a person a member; who is one already stays as they are. */
export async function addMember(
  { workspaceId, personId, role }: { workspaceId: string; personId: string; role: string },
  tx: Transaction = database(),
): Promise<void> {
  await tx.insert(member).values({ workspaceId, personId, role }).onConflictDoNothing()
}

export type MemberChange = 'done' | 'unknown' | 'last-owner'

/** Gives a member another role, or none: then they are no member any more. A workspace keeps an owner. */
export const changeMember = (scope: OfWorkspace, personId: string, role: string | null): Promise<MemberChange> =>
  inTransaction(async (tx) => {
    // Two owners who take the right from each other at once stand in line.
    const rows = await tx.select().from(member).where(within(scope, member)).orderBy(asc(member.personId)).for('update')
    const known = rows.find((row) => row.personId === personId)
    if (!known) return 'unknown'
    const owners = rows.filter((row) => row.role === 'owner')
    if (known.role === 'owner' && role !== 'owner' && owners.length === 1) return 'last-owner'
    const here = within(scope, member, eq(member.personId, personId))
    if (role === null) await tx.delete(member).where(here)
    else await tx.update(member).set({ role }).where(here)
    return 'done'
  })

/** The session works in this workspace from now on, and the next one begins in it. */
export async function chooseWorkspace(personId: string, sessionId: string, workspaceId: string): Promise<void> {
  await inTransaction(async (tx) => {
    await tx
      .update(session)
      .set({ workspaceId })
      .where(and(eq(session.id, sessionId), eq(session.personId, personId)))
    await tx.update(person).set({ workspaceId }).where(eq(person.id, personId))
  })
}

/** Every workspace that has members, for the jobs that serve all. */
export async function listWorkspaceIds(): Promise<string[]> {
  const rows = await database().selectDistinct({ id: member.workspaceId }).from(member)
  return rows.map(({ id }) => id)
}
