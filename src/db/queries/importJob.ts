import { and, asc, desc, eq, inArray, lt } from 'drizzle-orm'
import type { ReadingLayout } from '@/core/formats/readingsCsv/layout'
import type { Problem } from '@/core/json/problem'
import type { Feeds } from '@/core/rehearse/feeds'
import { inTransaction, inWorkspace } from '@/db/client'
import { hasInstallation, within, type OfWorkspace } from '@/db/queries/within'
import { importJob, importPiece, importQueue } from '@/db/schema'

/** `sending`: bytes are still coming. `waiting`: all are here. The others say how it ended. */
export type ImportState = 'sending' | 'waiting' | 'working' | 'done' | 'refused' | 'cancelled'

export type ImportJob = {
  readonly id: string
  readonly installationId: string
  readonly name: string
  readonly state: ImportState
  readonly bytesTotal: number
  readonly bytesDone: number
  readonly lineCount: number
  readonly problems: readonly Problem[]
}

const jobOf = (row: typeof importJob.$inferSelect): ImportJob => ({
  id: row.id,
  installationId: row.installationId,
  name: row.name,
  state: row.state as ImportState,
  bytesTotal: row.bytesTotal,
  bytesDone: row.bytesDone,
  lineCount: row.lineCount,
  problems: row.problems as readonly Problem[],
})

const LEFT_BEHIND_MS = 86_400_000

/** A job for bytes that are about to come; `unknown` when the installation is not of this workspace, `arrived` when they were sent before. What was left behind by lost connections a
 *  day ago and more goes. */
export const beginImport = (
  { workspaceId }: OfWorkspace,
  job: {
    id: string
    installationId: string
    name: string
    layout: ReadingLayout
    feeds?: Feeds | null
    bytesTotal: number
  },
): Promise<'begun' | 'arrived' | 'unknown'> =>
  inWorkspace({ workspaceId }, async (tx) => {
    await tx
      .delete(importJob)
      .where(
        within(
          { workspaceId },
          importJob,
          eq(importJob.state, 'sending'),
          lt(importJob.askedAt, new Date(Date.now() - LEFT_BEHIND_MS)),
        ),
      )
    if (!(await hasInstallation(tx, { workspaceId }, job.installationId))) return 'unknown'
    // A file that is sent again under its id begins anew where the first sending was broken off; one that arrived is not read twice.
    const again = await tx
      .select({ state: importJob.state })
      .from(importJob)
      .where(within({ workspaceId }, importJob, eq(importJob.id, job.id)))
      .for('update')
    if (again.some(({ state }) => state !== 'sending')) return 'arrived'
    await tx.delete(importJob).where(within({ workspaceId }, importJob, eq(importJob.id, job.id)))
    await tx.insert(importJob).values({ ...job, workspaceId, state: 'sending' })
    return 'begun'
  })

export const addImportPiece = ({ workspaceId }: OfWorkspace, jobId: string, no: number, bytes: Buffer): Promise<void> =>
  inWorkspace({ workspaceId }, async (tx) => {
    await tx.insert(importPiece).values({ workspaceId, jobId, no, bytes })
  })

/** All bytes are here: from now on the import goes on by itself, whatever becomes of the browser and of this server. */
export const queueImport = ({ workspaceId }: OfWorkspace, jobId: string): Promise<void> =>
  inWorkspace({ workspaceId }, async (tx) => {
    await tx
      .update(importJob)
      .set({ state: 'waiting' })
      .where(within({ workspaceId }, importJob, eq(importJob.id, jobId)))
    await tx.insert(importQueue).values({ jobId, workspaceId })
  })

export const dropImport = ({ workspaceId }: OfWorkspace, jobId: string): Promise<void> =>
  inWorkspace({ workspaceId }, async (tx) => {
    await tx
      .delete(importJob)
      .where(within({ workspaceId }, importJob, eq(importJob.id, jobId), eq(importJob.state, 'sending')))
  })

/** The newest imports into an installation, newest first. */
export const listImports = ({ workspaceId }: OfWorkspace, installationId: string): Promise<ImportJob[]> =>
  inWorkspace({ workspaceId }, async (tx) => {
    const rows = await tx
      .select()
      .from(importJob)
      .where(within({ workspaceId }, importJob, eq(importJob.installationId, installationId)))
      .orderBy(desc(importJob.askedAt))
      .limit(10)
    return rows.map(jobOf)
  })

/** Asks an import to stop; false when this workspace has none such that could still be stopped. */
export const askCancel = ({ workspaceId }: OfWorkspace, jobId: string): Promise<boolean> =>
  inWorkspace({ workspaceId }, async (tx) => {
    const rows = await tx
      .update(importJob)
      .set({ cancelAsked: true })
      .where(
        within(
          { workspaceId },
          importJob,
          eq(importJob.id, jobId),
          inArray(importJob.state, ['sending', 'waiting', 'working']),
        ),
      )
      .returning({ id: importJob.id })
    return rows.length > 0
  })

export const getImport = (
  { workspaceId }: OfWorkspace,
  jobId: string,
): Promise<{ job: ImportJob; layout: unknown; feeds: unknown; cancelAsked: boolean } | null> =>
  inWorkspace({ workspaceId }, async (tx) => {
    const [row] = await tx
      .select()
      .from(importJob)
      .where(within({ workspaceId }, importJob, eq(importJob.id, jobId)))
    return row ? { job: jobOf(row), layout: row.layout, feeds: row.feeds, cancelAsked: row.cancelAsked } : null
  })

/** Notes how far an import is; says whether it was asked to stop. */
export const noteImport = (
  { workspaceId }: OfWorkspace,
  jobId: string,
  bytesDone: number,
  lineCount: number,
): Promise<{ cancelAsked: boolean }> =>
  inWorkspace({ workspaceId }, async (tx) => {
    const [row] = await tx
      .update(importJob)
      .set({ state: 'working', bytesDone, lineCount })
      .where(within({ workspaceId }, importJob, eq(importJob.id, jobId)))
      .returning({ cancelAsked: importJob.cancelAsked })
    return { cancelAsked: row?.cancelAsked ?? true }
  })

/** How an import ended. Its bytes are not kept any longer. */
export const endImport = (
  { workspaceId }: OfWorkspace,
  jobId: string,
  ended: { state: ImportState; lineCount?: number; problems?: readonly Problem[] },
): Promise<void> =>
  inWorkspace({ workspaceId }, async (tx) => {
    await tx
      .update(importJob)
      .set(ended)
      .where(within({ workspaceId }, importJob, eq(importJob.id, jobId)))
    await tx.delete(importPiece).where(within({ workspaceId }, importPiece, eq(importPiece.jobId, jobId)))
  })

/** The pieces of a job, one at a time. */
export async function* importPieces(
  { workspaceId }: OfWorkspace,
  jobId: string,
): AsyncGenerator<Uint8Array, undefined> {
  for (let no = 0; ; no++) {
    const [piece] = await inWorkspace({ workspaceId }, (tx) =>
      tx
        .select({ bytes: importPiece.bytes })
        .from(importPiece)
        .where(within({ workspaceId }, importPiece, eq(importPiece.jobId, jobId), eq(importPiece.no, no))),
    )
    if (!piece) return
    yield piece.bytes
  }
}

/** Takes the longest waiting job that no living worker holds, runs `work`, and takes it off the queue. The row stays locked meanwhile: when the
 *  worker's process dies, the lock goes with it and the next one begins the job anew. False when nothing waits. */
export const workNextImport = (work: (workspaceId: string, jobId: string) => Promise<void>): Promise<boolean> =>
  inTransaction(async (tx) => {
    const [next] = await tx
      .select()
      .from(importQueue)
      .orderBy(asc(importQueue.queuedAt))
      .limit(1)
      .for('update', { skipLocked: true })
    if (!next) return false
    await work(next.workspaceId, next.jobId)
    await tx
      .delete(importQueue)
      .where(and(eq(importQueue.workspaceId, next.workspaceId), eq(importQueue.jobId, next.jobId)))
    return true
  })
