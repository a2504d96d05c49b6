import { randomUUID } from 'node:crypto'
import { desc, eq, sql } from 'drizzle-orm'
import type { Installation } from '@/core/installation/installation'
import { openInstallation } from '@/core/installation/open'
import { fingerprintOf } from '@/core/json/fingerprint'
import type { Problem } from '@/core/json/problem'
import { readLocalRules, rulesFor, type LocalRule } from '@/core/record/localRule'
import { readOpenItems } from '@/core/record/readOpenItems'
import { openText, type OpenItem } from '@/core/record/stillOpen'
import { inWorkspace, type Scope, type Transaction } from '@/db/client'
import { tellLive } from '@/db/queries/live'
import { within } from '@/db/queries/within'
import { installation, logEntry, revision, workingCopy, workspace } from '@/db/schema'

export type Revision = {
  readonly id: string
  readonly number: number
  readonly reason: string
  readonly sealedBy: string
  readonly sealedAt: Date
  /** What was open when it was sealed; null where that was not asked yet. */
  readonly open: readonly OpenItem[] | null
  /** SHA-256 of what was sealed, as it is stored. */
  readonly fingerprint: string
  /** When it was signed, where that was before the server sealed it. */
  readonly signedAt: Date | null
  readonly signature: string | null
  /** The workspace’s own rules for this duty as they stood then. */
  readonly localRules: readonly LocalRule[]
}

const sealedRules = (data: unknown): LocalRule[] => {
  const read = readLocalRules(data ?? [])
  return read.ok ? read.value : []
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
        fingerprint: revision.fingerprint,
        signedAt: revision.signedAt,
        signature: revision.signature,
        localRules: revision.localRules,
      })
      .from(revision)
      .where(within(scope, revision, eq(revision.installationId, installationId)))
      .orderBy(desc(revision.number))
    return Promise.all(
      rows.map(async ({ open, fingerprint, localRules, ...row }) => ({
        ...row,
        localRules: sealedRules(localRules),
        open: sealedOpen(open),
        fingerprint: fingerprint ?? (await storedFingerprint(tx, scope, row.id)),
      })),
    )
  })

/** The fingerprint of what was sealed before fingerprints were kept. */
async function storedFingerprint(tx: Transaction, scope: Scope, id: string): Promise<string> {
  const [row] = await tx
    .select({ document: revision.document })
    .from(revision)
    .where(within(scope, revision, eq(revision.id, id)))
  return fingerprintOf(row?.document)
}

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
  /** What is kept is not what was signed. */
  | { readonly kind: 'not-as-signed' }
  | { readonly kind: 'contradicts'; readonly problems: readonly Problem[] }
  | { readonly kind: 'unknown' }

export type NewSeal = {
  readonly id: string
  readonly installationId: string
  /** The version that was looked at; where what was signed is known by its fingerprint, any that has it. */
  readonly version: number | null
  readonly fingerprint?: string | null
  readonly signedAt?: Date | null
  readonly signature?: string | null
  readonly reason: string
  /** What that version leaves open. */
  readonly open: readonly OpenItem[]
}

/** Seals the working copy as it stands, if it is the version the person looked at. The same seal sent twice is one. */
export const sealRevision = (
  scope: Scope,
  { id, installationId, version, fingerprint: signed = null, signedAt = null, signature = null, reason, open }: NewSeal,
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
    if (version !== null && now.version !== version) return { kind: 'behind', version: now.version }
    const opened = openInstallation(now.document)
    if (opened.kind !== 'whole') return { kind: 'contradicts', problems: opened.problems }
    // What was looked at is the document of this version; what is kept may be one of an older.
    if (signed !== null && signed !== (await fingerprintOf(opened.document))) return { kind: 'not-as-signed' }
    const fingerprint = await fingerprintOf(now.document)
    const [own] = await tx.select({ rules: workspace.localRules }).from(workspace).where(eq(workspace.id, workspaceId))
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
      fingerprint,
      signedAt,
      signature,
      localRules: rulesFor(sealedRules(own?.rules), opened.document.brief.duty),
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
