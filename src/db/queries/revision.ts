import { randomUUID } from 'node:crypto'
import { desc, eq, sql } from 'drizzle-orm'
import type { Installation } from '@/core/installation/installation'
import { openInstallation } from '@/core/installation/open'
import type { Problem } from '@/core/json/problem'
import { readOpenItems } from '@/core/record/readOpenItems'
import { openText, type OpenItem } from '@/core/record/stillOpen'
import { inWorkspace, type Scope } from '@/db/client'
import { tellLive } from '@/db/queries/live'
import { within } from '@/db/queries/within'
import { installation, logEntry, revision, workingCopy } from '@/db/schema'

export type Revision = {
  readonly id: string
  readonly number: number
  readonly reason: string
  readonly sealedBy: string
  readonly sealedAt: Date
  /** What was open when it was sealed; null where that was not asked yet. */
  readonly open: readonly OpenItem[] | null
}

const sealedDocument = (data: unknown): Installation | null => {
  const opened = openInstallation(data)
  return opened.kind === 'unreadable' ? null : opened.document
}

const sealedOpen = (data: unknown): OpenItem[] | null => {
  const read = readOpenItems(data)
  return read.ok ? read.value : null
}

/** The seals of an installation, newest first, without what was sealed. */
export const listRevisions = (scope: Scope, installationId: string): Promise<Revision[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select({
        id: revision.id,
        number: revision.number,
        reason: revision.reason,
        sealedBy: revision.sealedBy,
        sealedAt: revision.sealedAt,
        open: revision.open,
      })
      .from(revision)
      .where(within(scope, revision, eq(revision.installationId, installationId)))
      .orderBy(desc(revision.number))
    return rows.map(({ open, ...row }) => ({ ...row, open: sealedOpen(open) }))
  })

export type Seal = { readonly number: number; readonly sealedAt: Date }

/** When an installation was sealed, newest first, without what was sealed. */
export const listSeals = (scope: Scope, installationId: string): Promise<Seal[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({ number: revision.number, sealedAt: revision.sealedAt })
      .from(revision)
      .where(within(scope, revision, eq(revision.installationId, installationId)))
      .orderBy(desc(revision.number)),
  )

/** What was sealed as this revision; null where there is none, or none that can be opened. */
export const getSealed = (scope: Scope, installationId: string, number: number): Promise<Installation | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select({ document: revision.document })
      .from(revision)
      .where(within(scope, revision, eq(revision.installationId, installationId), eq(revision.number, number)))
    return row ? sealedDocument(row.document) : null
  })

export type SealOutcome =
  | { readonly kind: 'sealed'; readonly number: number }
  | { readonly kind: 'behind'; readonly version: number }
  | { readonly kind: 'contradicts'; readonly problems: readonly Problem[] }
  | { readonly kind: 'unknown' }

export type NewSeal = {
  readonly id: string
  readonly installationId: string
  readonly version: number
  readonly reason: string
  /** What that version leaves open. */
  readonly open: readonly OpenItem[]
}

/** Seals the working copy as it stands, if it is the version the person looked at. The same seal sent twice is one. */
export const sealRevision = (
  scope: Scope,
  { id, installationId, version, reason, open }: NewSeal,
): Promise<SealOutcome> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId, personName } = scope
    // The lock makes two seals at once stand in line, so that their numbers differ.
    const [now] = await tx
      .select()
      .from(workingCopy)
      .where(within(scope, workingCopy, eq(workingCopy.installationId, installationId)))
      .for('update')
    if (!now) return { kind: 'unknown' }
    const [same] = await tx
      .select({ number: revision.number, of: revision.installationId })
      .from(revision)
      .where(within(scope, revision, eq(revision.id, id)))
    if (same) return same.of === installationId ? { kind: 'sealed', number: same.number } : { kind: 'unknown' }
    if (now.version !== version) return { kind: 'behind', version: now.version }
    const opened = openInstallation(now.document)
    if (opened.kind !== 'whole') return { kind: 'contradicts', problems: opened.problems }
    const sealedAt = new Date()
    const here = within(scope, installation, eq(installation.id, installationId))
    const [last] = await tx
      .update(installation)
      // What was set aside to be deleted is only set aside from now on: a seal is for good.
      .set({
        lastSealNumber: sql`coalesce(${installation.lastSealNumber}, 0) + 1`,
        lastSealedAt: sealedAt,
        goneAt: null,
      })
      .where(here)
      .returning({ number: installation.lastSealNumber })
    const number = last?.number ?? 1
    await tx.insert(revision).values({
      id,
      workspaceId,
      installationId,
      number,
      reason,
      document: now.document,
      open,
      sealedBy: personName,
      sealedAt,
    })
    await tx.insert(logEntry).values({
      id: randomUUID(),
      workspaceId,
      installationId,
      kind: 'sealed',
      text: [`Sealed revision ${number}: ${reason}`, ...(open.length > 0 ? [`(${openText(open)})`] : [])].join(' '),
      writtenBy: personName,
    })
    await tellLive(tx, { kind: 'sealed', workspaceId, installationId, number, by: personName })
    return { kind: 'sealed', number }
  })
