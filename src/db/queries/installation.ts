import { randomUUID } from 'node:crypto'
import { asc, desc, eq, sql } from 'drizzle-orm'
import type { Installation } from '@/core/document/installation'
import { inWorkspace, type Scope, type Transaction } from '@/db/client'
import { storedInstallation } from '@/db/queries/document'
import { installation, logEntry, revision, site, workingCopy } from '@/db/schema'

export type WorkingCopy = {
  readonly version: number
  readonly document: Installation
  readonly savedAt: Date
  readonly savedBy: string
}
export type InstallationRow = { readonly id: string; readonly siteName: string; readonly workingCopy: WorkingCopy }
export type YardRow = InstallationRow & {
  readonly sealed: { readonly number: number; readonly sealedAt: Date; readonly document: unknown } | null
}

const columns = {
  id: installation.id,
  siteName: site.name,
  version: workingCopy.version,
  document: workingCopy.document,
  savedAt: workingCopy.savedAt,
  savedBy: workingCopy.savedBy,
}

const selectInstallations = (tx: Transaction) =>
  tx
    .select(columns)
    .from(installation)
    .innerJoin(workingCopy, eq(workingCopy.installationId, installation.id))
    .innerJoin(site, eq(site.id, installation.siteId))

type Selected = { id: string; siteName: string; version: number; document: unknown; savedAt: Date; savedBy: string }

const toRow = ({ id, siteName, document, ...kept }: Selected): InstallationRow => ({
  id,
  siteName,
  workingCopy: { ...kept, document: storedInstallation('working copy', document) },
})

export type InstallationName = { readonly id: string; readonly name: string; readonly siteName: string }

/** What the installations of the workspace are called, in the order of the yard. */
export const listInstallationNames = (scope: Scope): Promise<InstallationName[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({
        id: installation.id,
        name: sql<string>`${workingCopy.document} ->> 'name'`,
        siteName: site.name,
      })
      .from(installation)
      .innerJoin(workingCopy, eq(workingCopy.installationId, installation.id))
      .innerJoin(site, eq(site.id, installation.siteId))
      .orderBy(asc(site.name), asc(installation.createdAt), asc(installation.id)),
  )

/** Every installation of the workspace, with its last seal, by site and then in the order in which they were made. */
export const listYard = (scope: Scope): Promise<YardRow[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await selectInstallations(tx).orderBy(
      asc(site.name),
      asc(installation.createdAt),
      asc(installation.id),
    )
    const seals = await tx
      .selectDistinctOn([revision.installationId], {
        installationId: revision.installationId,
        number: revision.number,
        sealedAt: revision.sealedAt,
        document: revision.document,
      })
      .from(revision)
      .orderBy(revision.installationId, desc(revision.number))
    return rows.map((row) => ({
      ...toRow(row),
      sealed: seals.find(({ installationId }) => installationId === row.id) ?? null,
    }))
  })

/** One installation with its working copy; null when this workspace has none of that id. */
export const getInstallation = (scope: Scope, id: string): Promise<InstallationRow | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await selectInstallations(tx).where(eq(installation.id, id))
    return row ? toRow(row) : null
  })

/** Makes an installation at version 1. The same id sent twice makes one. */
export const createInstallation = (
  scope: Scope,
  { id, siteId, document }: { id: string; siteId: string; document: Installation },
): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId, personName } = scope
    const made = await tx
      .insert(installation)
      .values({ id, workspaceId, siteId })
      .onConflictDoNothing()
      .returning({ id: installation.id })
    if (made.length === 0) return
    await tx
      .insert(workingCopy)
      .values({ installationId: id, workspaceId, version: 1, document, saveId: randomUUID(), savedBy: personName })
    await tx.insert(logEntry).values({
      id: randomUUID(),
      workspaceId,
      installationId: id,
      kind: 'made',
      text: `${document.name} was made.`,
      writtenBy: personName,
    })
  })

export type SaveOutcome =
  | { readonly kind: 'kept'; readonly version: number; readonly savedAt: Date }
  | { readonly kind: 'behind'; readonly version: number; readonly savedAt: Date; readonly savedBy: string }
  | { readonly kind: 'unknown' }

/** Keeps the working copy if nobody else did in between. A save repeated with its own `saveId` is answered as the first time. */
export const saveWorkingCopy = (
  scope: Scope,
  { id, baseVersion, saveId, document }: { id: string; baseVersion: number; saveId: string; document: Installation },
): Promise<SaveOutcome> =>
  inWorkspace(scope, async (tx) => {
    const [now] = await tx.select().from(workingCopy).where(eq(workingCopy.installationId, id)).for('update')
    if (!now) return { kind: 'unknown' }
    if (now.saveId === saveId) return { kind: 'kept', version: now.version, savedAt: now.savedAt }
    if (now.version !== baseVersion)
      return { kind: 'behind', version: now.version, savedAt: now.savedAt, savedBy: now.savedBy }
    const savedAt = new Date()
    await tx
      .update(workingCopy)
      .set({ version: baseVersion + 1, document, saveId, savedBy: scope.personName, savedAt })
      .where(eq(workingCopy.installationId, id))
    return { kind: 'kept', version: baseVersion + 1, savedAt }
  })
