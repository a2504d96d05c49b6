import { asc, eq, lt, ne, sql } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { tellLive } from '@/db/queries/live'
import { ofItsInstallation, within } from '@/db/queries/within'
import { installation, presence, workingCopy } from '@/db/schema'

/** A page that was not heard of for this long is closed. */
const CLOSED_AFTER = sql`interval '45 seconds'`

export type Present = {
  /** Who else has the installation open; one’s own other pages are not told. */
  readonly others: readonly string[]
  /** The version that is kept now. */
  readonly version: number
}

/** Notes that a page is open and tells who else is there; null where the installation is not of this workspace. */
export const touchPresence = (
  scope: Scope,
  { pageId, installationId }: { pageId: string; installationId: string },
): Promise<Present | null> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId, personName } = scope
    const [known] = await tx
      .select({ version: workingCopy.version })
      .from(installation)
      .innerJoin(workingCopy, ofItsInstallation(workingCopy))
      .where(within(scope, installation, eq(installation.id, installationId)))
    if (!known) return null
    const [touched] = await tx
      .insert(presence)
      .values({ pageId, workspaceId, installationId, personName })
      .onConflictDoUpdate({
        target: [presence.workspaceId, presence.pageId],
        set: { installationId, seenAt: sql`now()` },
      })
      .returning({ isNew: sql<boolean>`xmax = 0` })
    if (touched?.isNew) await tellLive(tx, { kind: 'present', workspaceId, installationId })
    await tx.delete(presence).where(within(scope, presence, lt(presence.seenAt, sql`now() - ${CLOSED_AFTER}`)))
    const rows = await tx
      .selectDistinct({ name: presence.personName })
      .from(presence)
      .where(within(scope, presence, eq(presence.installationId, installationId), ne(presence.personName, personName)))
      .orderBy(asc(presence.personName))
    return { others: rows.map(({ name }) => name), version: known.version }
  })

/** A page was closed. */
export const leavePresence = (scope: Scope, pageId: string): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    const gone = await tx
      .delete(presence)
      .where(within(scope, presence, eq(presence.pageId, pageId)))
      .returning({ installationId: presence.installationId })
    for (const { installationId } of gone)
      await tellLive(tx, { kind: 'present', workspaceId: scope.workspaceId, installationId })
  })
