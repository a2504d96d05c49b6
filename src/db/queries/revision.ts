import { randomUUID } from 'node:crypto'
import { and, desc, eq, max } from 'drizzle-orm'
import type { Installation } from '@/core/document/installation'
import { openInstallation } from '@/core/document/open'
import type { Problem } from '@/core/problem'
import { openText, readOpenItems, type OpenItem } from '@/core/record/stillOpen'
import { inWorkspace, type Scope } from '@/db/client'
import { logEntry, revision, workingCopy } from '@/db/schema'

export type Revision = {
  readonly id: string
  readonly number: number
  readonly reason: string
  readonly sealedBy: string
  readonly sealedAt: Date
  /** What was sealed; null where this program cannot open it: `data` is then shown as text. */
  readonly document: Installation | null
  readonly data: unknown
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

/** The seals of an installation, newest first. */
export const listRevisions = (scope: Scope, installationId: string): Promise<Revision[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select()
      .from(revision)
      .where(eq(revision.installationId, installationId))
      .orderBy(desc(revision.number))
    return rows.map(({ id, number, reason, sealedBy, sealedAt, document, open }) => ({
      id,
      number,
      reason,
      sealedBy,
      sealedAt,
      document: sealedDocument(document),
      data: document,
      open: sealedOpen(open),
    }))
  })

export type Seal = { readonly number: number; readonly sealedAt: Date }

/** When an installation was sealed, newest first, without what was sealed. */
export const listSeals = (scope: Scope, installationId: string): Promise<Seal[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({ number: revision.number, sealedAt: revision.sealedAt })
      .from(revision)
      .where(eq(revision.installationId, installationId))
      .orderBy(desc(revision.number)),
  )

/** What was sealed as this revision; null where there is none, or none that can be opened. */
export const getSealed = (scope: Scope, installationId: string, number: number): Promise<Installation | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select({ document: revision.document })
      .from(revision)
      .where(and(eq(revision.installationId, installationId), eq(revision.number, number)))
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
      .where(eq(workingCopy.installationId, installationId))
      .for('update')
    if (!now) return { kind: 'unknown' }
    const [same] = await tx
      .select({ number: revision.number })
      .from(revision)
      .where(and(eq(revision.id, id), eq(revision.installationId, installationId)))
    if (same) return { kind: 'sealed', number: same.number }
    if (now.version !== version) return { kind: 'behind', version: now.version }
    const opened = openInstallation(now.document)
    if (opened.kind !== 'whole') return { kind: 'contradicts', problems: opened.problems }
    const [last] = await tx
      .select({ number: max(revision.number) })
      .from(revision)
      .where(eq(revision.installationId, installationId))
    const number = (last?.number ?? 0) + 1
    const made = await tx
      .insert(revision)
      .values({ id, workspaceId, installationId, number, reason, document: now.document, open, sealedBy: personName })
      .onConflictDoNothing({ target: revision.id })
      .returning({ id: revision.id })
    // The id belongs to a seal of somebody else.
    if (made.length === 0) return { kind: 'unknown' }
    await tx.insert(logEntry).values({
      id: randomUUID(),
      workspaceId,
      installationId,
      kind: 'sealed',
      text: [`Sealed revision ${number}: ${reason}`, ...(open.length > 0 ? [`(${openText(open)})`] : [])].join(' '),
      writtenBy: personName,
    })
    return { kind: 'sealed', number }
  })
