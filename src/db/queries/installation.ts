import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, isNotNull, isNull } from 'drizzle-orm'
import type { Installation } from '@/core/installation/installation'
import { newProblems } from '@/core/installation/newProblems'
import { openInstallation } from '@/core/installation/open'
import type { Problem } from '@/core/json/problem'
import { inWorkspace, type Scope, type Transaction } from '@/db/client'
import { nameIn } from '@/core/json/nameIn'
import { putInBin } from '@/db/queries/bin'
import { tellLive } from '@/db/queries/live'
import { ofItsInstallation, within } from '@/db/queries/within'
import { installation, logEntry, site, workingCopy } from '@/db/schema'

export type WorkingCopy = {
  readonly version: number
  readonly document: Installation
  /** What in it contradicts itself; it opens all the same, and is not sealed until it is right. */
  readonly problems: readonly Problem[]
  readonly savedAt: Date
  readonly savedBy: string
  /** The change that was kept last, by the id its page gave it. */
  readonly saveId: string
}
type OfSite = {
  readonly id: string
  readonly siteId: string
  readonly siteName: string
  /** IANA name of its time zone; empty where nobody named one. */
  readonly siteZone: string
  readonly setAsideAt: Date | null
}
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
/** Joins the site of an installation. */
export const itsSite = and(eq(site.workspaceId, installation.workspaceId), eq(site.id, installation.siteId))

const columns = {
  id: installation.id,
  siteId: site.id,
  siteName: site.name,
  siteZone: site.zone,
  setAsideAt: installation.setAsideAt,
  version: workingCopy.version,
  document: workingCopy.document,
  savedAt: workingCopy.savedAt,
  savedBy: workingCopy.savedBy,
  saveId: workingCopy.saveId,
}

const selectInstallations = (tx: Transaction) =>
  tx.select(columns).from(installation).innerJoin(workingCopy, ofItsInstallation(workingCopy)).innerJoin(site, itsSite)

type Selected = OfSite & { version: number; document: unknown; savedAt: Date; savedBy: string; saveId: string }

function toRow({
  id,
  siteId,
  siteName,
  siteZone,
  setAsideAt,
  document: data,
  version,
  savedAt,
  savedBy,
  saveId,
}: Selected): AnyRow {
  const of = { id, siteId, siteName, siteZone, setAsideAt }
  const opened = openInstallation(data)
  if (opened.kind === 'unreadable')
    return { ...of, kind: 'unreadable', name: nameIn(data), version, data, problems: opened.problems }
  const problems = opened.kind === 'marked' ? opened.problems : []
  return {
    ...of,
    kind: 'open',
    workingCopy: { version, document: opened.document, problems, savedAt, savedBy, saveId },
  }
}

/** One installation with its working copy; null when this workspace has none of that id. */
export const getInstallation = (scope: Scope, id: string): Promise<AnyRow | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await selectInstallations(tx).where(within(scope, installation, eq(installation.id, id)))
    return row ? toRow(row) : null
  })

/** Everything in the yard on one site, by its name, with its working copy. */
export const listOfSite = (scope: Scope, siteName: string): Promise<AnyRow[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await selectInstallations(tx)
      .where(within(scope, installation, eq(site.name, siteName), isNull(installation.setAsideAt)))
      .orderBy(asc(installation.createdAt))
    return rows.map(toRow)
  })

/** The version of the working copy that is kept now; null when this workspace has no such installation. */
export const getSavedVersion = (scope: Scope, id: string): Promise<number | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select({ version: workingCopy.version })
      .from(workingCopy)
      .where(within(scope, workingCopy, eq(workingCopy.installationId, id)))
    return row?.version ?? null
  })

export type SetAsideName = {
  readonly id: string
  readonly name: string
  readonly setAsideAt: Date
  readonly setAsideBy: string
  /** When it goes for good; null where it is only set aside. */
  readonly goneAt: Date | null
}

/** What was set aside, the newest first, at most so many. */
export const listSetAside = (scope: Scope, limit = 100): Promise<SetAsideName[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select({
        id: installation.id,
        data: workingCopy.document,
        setAsideAt: installation.setAsideAt,
        setAsideBy: installation.setAsideBy,
        goneAt: installation.goneAt,
      })
      .from(installation)
      .innerJoin(workingCopy, ofItsInstallation(workingCopy))
      .where(within(scope, installation, isNotNull(installation.setAsideAt)))
      .orderBy(desc(installation.setAsideAt))
      .limit(limit)
    return rows.map(({ id, data, setAsideAt, setAsideBy, goneAt }) => ({
      id,
      name: nameIn(data),
      setAsideAt: setAsideAt!,
      setAsideBy: setAsideBy ?? '',
      goneAt,
    }))
  })

/** In the yard; set aside; or set aside to be gone for good at a time. */
export type Place = 'yard' | 'aside' | { readonly goneAt: Date }

/** Moves an installation out of the yard or back; false when this workspace has none of that id. Doing it twice does it once. What was sealed is
 *  never deleted: asked for that, it is set aside. */
export const placeInstallation = (scope: Scope, id: string, place: Place): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId, personName } = scope
    const here = within(scope, installation, eq(installation.id, id))
    const [row] = await tx
      .select({
        setAsideAt: installation.setAsideAt,
        goneAt: installation.goneAt,
        sealed: installation.lastSealNumber,
        data: workingCopy.document,
      })
      .from(installation)
      .innerJoin(workingCopy, ofItsInstallation(workingCopy))
      .where(here)
      .for('update')
    if (!row) return false
    const goneAt = typeof place === 'object' && row.sealed === null ? place.goneAt : null
    const isAside = place !== 'yard'
    if ((row.setAsideAt !== null) === isAside && (row.goneAt !== null) === (goneAt !== null)) return true
    await tx
      .update(installation)
      .set(
        isAside
          ? { setAsideAt: row.setAsideAt ?? new Date(), setAsideBy: personName, goneAt }
          : { setAsideAt: null, setAsideBy: null, goneAt: null },
      )
      .where(here)
    await putInBin(tx, scope, { kind: 'installation', id, goneAt })
    const how = goneAt ? 'deleted; it can be brought back for 30 days' : isAside ? 'archived' : 'brought back'
    await tx.insert(logEntry).values({
      id: randomUUID(),
      workspaceId,
      installationId: id,
      kind: 'note',
      text: `${nameIn(row.data)} was ${how}.`,
      writtenBy: personName,
    })
    return true
  })

/** Puts an installation on another site; false when this workspace has none of that id. Its log says where it stood. */
export const moveInstallation = (scope: Scope, id: string, to: { id: string; name: string }): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const here = within(scope, installation, eq(installation.id, id))
    const [row] = await tx
      .select({ siteId: installation.siteId, siteName: site.name })
      .from(installation)
      .innerJoin(site, itsSite)
      .where(here)
      .for('update', { of: installation })
    if (!row) return false
    if (row.siteId === to.id) return true
    await tx.update(installation).set({ siteId: to.id }).where(here)
    await tx.insert(logEntry).values({
      id: randomUUID(),
      workspaceId: scope.workspaceId,
      installationId: id,
      kind: 'note',
      text: `Moved from ${row.siteName} to ${to.name}.`,
      writtenBy: scope.personName,
    })
    return true
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
      text: `${document.name} was created.`,
      writtenBy: personName,
    })
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
    const here = within(scope, workingCopy, eq(workingCopy.installationId, id))
    const [now] = await tx.select().from(workingCopy).where(here).for('update')
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
      .where(here)
    const { workspaceId, personName } = scope
    await tellLive(tx, { kind: 'kept', workspaceId, installationId: id, version: baseVersion + 1, by: personName })
    return { kind: 'kept', version: baseVersion + 1, savedAt }
  })
