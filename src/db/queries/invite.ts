import { desc, eq, gt, isNull, sql } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { addMember } from '@/db/queries/member'
import { within, type OfWorkspace } from '@/db/queries/within'
import { invite } from '@/db/schema'

export type Invite = {
  readonly id: string
  readonly role: string
  readonly email: string
  readonly madeBy: string
  readonly expiresAt: Date
}

const standing = [isNull(invite.usedAt), isNull(invite.withdrawnAt), gt(invite.expiresAt, sql`now()`)] as const

const columns = {
  id: invite.id,
  role: invite.role,
  email: invite.email,
  madeBy: invite.madeBy,
  expiresAt: invite.expiresAt,
}

/** Keeps an invitation; the same id sent twice is one. */
export const addInvite = (
  scope: Scope,
  made: { id: string; tokenHash: string; role: string; email: string; expiresAt: Date },
): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    await tx
      .insert(invite)
      .values({ ...made, workspaceId: scope.workspaceId, madeBy: scope.personName })
      .onConflictDoNothing()
  })

/** Invitations that can still be used, the newest first. */
export const listInvites = (scope: OfWorkspace): Promise<Invite[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select(columns)
      .from(invite)
      .where(within(scope, invite, ...standing))
      .orderBy(desc(invite.madeAt))
      .limit(200),
  )

/** The invitation of a link; null where it was used, withdrawn, has run out or never was. */
export const getInvite = (scope: OfWorkspace, tokenHash: string): Promise<Invite | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select(columns)
      .from(invite)
      .where(within(scope, invite, eq(invite.tokenHash, tokenHash), ...standing))
    return row ?? null
  })

/** A link is used once: whoever comes first is a member from then on. False when it cannot be used any more. */
export const useInvite = (
  scope: OfWorkspace,
  tokenHash: string,
  who: { personId: string; personName: string },
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const [used] = await tx
      .update(invite)
      .set({ usedAt: sql`now()`, usedBy: who.personName })
      .where(within(scope, invite, eq(invite.tokenHash, tokenHash), ...standing))
      .returning({ role: invite.role })
    if (!used) return false
    await addMember({ workspaceId: scope.workspaceId, personId: who.personId, role: used.role }, tx)
    return true
  })

/** Takes an invitation back; false when there is none such. */
export const withdrawInvite = (scope: OfWorkspace, id: string): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .update(invite)
      .set({ withdrawnAt: sql`now()` })
      .where(within(scope, invite, eq(invite.id, id), isNull(invite.usedAt)))
      .returning({ id: invite.id })
    return rows.length > 0
  })
