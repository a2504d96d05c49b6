import { desc, eq, gt, isNull, sql } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { hasInstallation, within, type OfWorkspace } from '@/db/queries/within'
import { shareLink } from '@/db/schema'

export type ShareLink = {
  readonly id: string
  readonly installationId: string
  readonly forWhom: string
  readonly madeBy: string
  readonly madeAt: Date
  readonly expiresAt: Date
  readonly openedAt: Date | null
  readonly openedCount: number
}

const standing = [isNull(shareLink.endedAt), gt(shareLink.expiresAt, sql`now()`)] as const

const columns = {
  id: shareLink.id,
  installationId: shareLink.installationId,
  forWhom: shareLink.forWhom,
  madeBy: shareLink.madeBy,
  madeAt: shareLink.madeAt,
  expiresAt: shareLink.expiresAt,
  openedAt: shareLink.openedAt,
  openedCount: shareLink.openedCount,
}

/** Keeps a link to the record of an installation; the same id sent twice is one. False where there is no such installation here. */
export const addShareLink = (
  scope: Scope,
  made: { id: string; installationId: string; tokenHash: string; forWhom: string; expiresAt: Date },
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    if (!(await hasInstallation(tx, scope, made.installationId))) return false
    await tx
      .insert(shareLink)
      .values({ ...made, workspaceId: scope.workspaceId, madeBy: scope.personName })
      .onConflictDoNothing()
    return (
      (await tx.$count(
        shareLink,
        within(scope, shareLink, eq(shareLink.id, made.id), eq(shareLink.installationId, made.installationId)),
      )) === 1
    )
  })

/** Links of an installation that still open, the newest first. */
export const listShareLinks = (scope: OfWorkspace, installationId: string): Promise<ShareLink[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select(columns)
      .from(shareLink)
      .where(within(scope, shareLink, eq(shareLink.installationId, installationId), ...standing))
      .orderBy(desc(shareLink.madeAt))
      .limit(50),
  )

/** Opens a link, and counts that; null where it was ended, has run out or never was. */
export const openShareLink = (scope: OfWorkspace, tokenHash: string): Promise<ShareLink | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .update(shareLink)
      .set({ openedAt: sql`now()`, openedCount: sql`${shareLink.openedCount} + 1` })
      .where(within(scope, shareLink, eq(shareLink.tokenHash, tokenHash), ...standing))
      .returning(columns)
    return row ?? null
  })

/** Ends a link; false when there is none such. */
export const endShareLink = (scope: Scope, id: string): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .update(shareLink)
      .set({ endedAt: sql`now()`, endedBy: scope.personName })
      .where(within(scope, shareLink, eq(shareLink.id, id), isNull(shareLink.endedAt)))
      .returning({ id: shareLink.id })
    return rows.length > 0
  })
