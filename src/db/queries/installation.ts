import { randomUUID } from 'node:crypto'
import { asc, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import type { Installation } from '@/core/document/installation'
import { newProblems, openInstallation } from '@/core/document/open'
import type { Problem } from '@/core/problem'
import { inWorkspace, type Scope, type Transaction } from '@/db/client'
import { nameIn } from '@/db/queries/document'
import { installation, logEntry, revision, site, workingCopy } from '@/db/schema'

export type WorkingCopy = {
  readonly version: number
  readonly document: Installation
  /** What in it contradicts itself; it opens all the same, and is not sealed until it is right. */
  readonly problems: readonly Problem[]
  readonly savedAt: Date
  readonly savedBy: string
}
type OfSite = { readonly id: string; readonly siteName: string; readonly setAsideAt: Date | null }
export type InstallationRow = OfSite & { readonly kind: 'open'; readonly workingCopy: WorkingCopy }
/** A row whose document this program cannot open: it is shown as text, exported, mended or set aside. */
export type UnreadableRow = OfSite & {
  readonly kind: 'unreadable'
  readonly name: string
  readonly version: number
  readonly data: unknown
  readonly problems: readonly Problem[]
}
export type AnyRow = InstallationRow | UnreadableRow
export type YardRow = AnyRow & {
  readonly sealed: { readonly number: number; readonly sealedAt: Date; readonly document: unknown } | null
}

const columns = {
  id: installation.id,
  siteName: site.name,
  setAsideAt: installation.setAsideAt,
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

type Selected = OfSite & { version: number; document: unknown; savedAt: Date; savedBy: string }

function toRow({ id, siteName, setAsideAt, document: data, version, savedAt, savedBy }: Selected): AnyRow {
  const of = { id, siteName, setAsideAt }
  const opened = openInstallation(data)
  if (opened.kind === 'unreadable')
    return { ...of, kind: 'unreadable', name: nameIn(data), version, data, problems: opened.problems }
  const problems = opened.kind === 'marked' ? opened.problems : []
  return { ...of, kind: 'open', workingCopy: { version, document: opened.document, problems, savedAt, savedBy } }
}

export type InstallationName = { readonly id: string; readonly name: string; readonly siteName: string }

/** What the installations of the workspace are called, in the order of the yard. */
export const listInstallationNames = (scope: Scope): Promise<InstallationName[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({
        id: installation.id,
        name: sql<string>`coalesce(nullif(trim(${workingCopy.document} ->> 'name'), ''), '(without a name)')`,
        siteName: site.name,
      })
      .from(installation)
      .innerJoin(workingCopy, eq(workingCopy.installationId, installation.id))
      .innerJoin(site, eq(site.id, installation.siteId))
      .where(isNull(installation.setAsideAt))
      .orderBy(asc(site.name), asc(installation.createdAt), asc(installation.id)),
  )

/** Every installation of the workspace, with its last seal, by site and then in the order in which they were made. */
export const listYard = (scope: Scope): Promise<YardRow[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await selectInstallations(tx)
      .where(isNull(installation.setAsideAt))
      .orderBy(asc(site.name), asc(installation.createdAt), asc(installation.id))
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
export const getInstallation = (scope: Scope, id: string): Promise<AnyRow | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await selectInstallations(tx).where(eq(installation.id, id))
    return row ? toRow(row) : null
  })

export type SetAsideName = {
  readonly id: string
  readonly name: string
  readonly setAsideAt: Date
  readonly setAsideBy: string
}

/** What was set aside, the newest first. */
export const listSetAside = (scope: Scope): Promise<SetAsideName[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select({
        id: installation.id,
        data: workingCopy.document,
        setAsideAt: installation.setAsideAt,
        setAsideBy: installation.setAsideBy,
      })
      .from(installation)
      .innerJoin(workingCopy, eq(workingCopy.installationId, installation.id))
      .where(isNotNull(installation.setAsideAt))
      .orderBy(desc(installation.setAsideAt))
    return rows.map(({ id, data, setAsideAt, setAsideBy }) => ({
      id,
      name: nameIn(data),
      setAsideAt: setAsideAt!,
      setAsideBy: setAsideBy ?? '',
    }))
  })

/** Sets an installation aside, or brings it back; false when this workspace has none of that id. Doing it twice does it once. */
export const setInstallationAside = (scope: Scope, id: string, isAside: boolean): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select({ setAsideAt: installation.setAsideAt, data: workingCopy.document })
      .from(installation)
      .innerJoin(workingCopy, eq(workingCopy.installationId, installation.id))
      .where(eq(installation.id, id))
      .for('update')
    if (!row) return false
    if ((row.setAsideAt !== null) === isAside) return true
    const { workspaceId, personName } = scope
    await tx
      .update(installation)
      .set(isAside ? { setAsideAt: new Date(), setAsideBy: personName } : { setAsideAt: null, setAsideBy: null })
      .where(eq(installation.id, id))
    await tx.insert(logEntry).values({
      id: randomUUID(),
      workspaceId,
      installationId: id,
      kind: 'note',
      text: `${nameIn(row.data)} was ${isAside ? 'set aside' : 'brought back'}.`,
      writtenBy: personName,
    })
    return true
  })

/** Makes an installation at version 1. The same id sent twice makes one. False when the id belongs to somebody else’s. */
export const createInstallation = (
  scope: Scope,
  { id, siteId, document }: { id: string; siteId: string; document: Installation },
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId, personName } = scope
    const made = await tx
      .insert(installation)
      .values({ id, workspaceId, siteId })
      .onConflictDoNothing()
      .returning({ id: installation.id })
    if (made.length === 0) return (await tx.$count(installation, eq(installation.id, id))) === 1
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
    return true
  })

export type SaveOutcome =
  | { readonly kind: 'kept'; readonly version: number; readonly savedAt: Date }
  | { readonly kind: 'behind'; readonly version: number; readonly savedAt: Date; readonly savedBy: string }
  | { readonly kind: 'contradicts'; readonly problems: readonly Problem[] }
  | { readonly kind: 'unknown' }

type Save = {
  readonly id: string
  readonly baseVersion: number
  readonly saveId: string
  readonly document: Installation
  /** What contradicts itself in the document: only what did so before is kept. */
  readonly problems?: readonly Problem[]
}

/** Keeps the working copy if nobody else did in between. A save repeated with its own `saveId` is answered as the first time. */
export const saveWorkingCopy = (
  scope: Scope,
  { id, baseVersion, saveId, document, problems = [] }: Save,
): Promise<SaveOutcome> =>
  inWorkspace(scope, async (tx) => {
    const [now] = await tx.select().from(workingCopy).where(eq(workingCopy.installationId, id)).for('update')
    if (!now) return { kind: 'unknown' }
    if (now.saveId === saveId) return { kind: 'kept', version: now.version, savedAt: now.savedAt }
    if (now.version !== baseVersion)
      return { kind: 'behind', version: now.version, savedAt: now.savedAt, savedBy: now.savedBy }
    if (problems.length > 0) {
      const before = openInstallation(now.document)
      const added = newProblems(before.kind === 'marked' ? before.problems : [], problems)
      if (added.length > 0) return { kind: 'contradicts', problems: added }
    }
    const savedAt = new Date()
    await tx
      .update(workingCopy)
      .set({ version: baseVersion + 1, document, saveId, savedBy: scope.personName, savedAt })
      .where(eq(workingCopy.installationId, id))
    return { kind: 'kept', version: baseVersion + 1, savedAt }
  })
