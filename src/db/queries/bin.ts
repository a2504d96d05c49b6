import { and, asc, eq, lte, sql } from 'drizzle-orm'
import { database, inWorkspace, type Transaction } from '@/db/client'
import { within, type OfWorkspace } from '@/db/queries/within'
import {
  bin,
  checkResult,
  controllerModel,
  importJob,
  installation,
  installationLine,
  photo,
  shareLink,
  presence,
  reading,
  readingFile,
  readingLevel,
  session,
  tryCount,
  verification,
  workingCopy,
} from '@/db/schema'

export type BinKind = 'installation' | 'controller' | 'readings'
export type Binned = { readonly kind: BinKind; readonly id: string; readonly goneAt: Date | null }

/** Notes when something is gone for good, or that it was brought back. */
export async function putInBin(tx: Transaction, scope: OfWorkspace, { kind, id, goneAt }: Binned): Promise<void> {
  await tx.delete(bin).where(within(scope, bin, eq(bin.kind, kind), eq(bin.id, id)))
  if (goneAt) await tx.insert(bin).values({ workspaceId: scope.workspaceId, kind, id, goneAt })
}

async function removeReadings(tx: Transaction, scope: OfWorkspace, fileId: string): Promise<void> {
  await tx.delete(reading).where(within(scope, reading, eq(reading.fileId, fileId)))
  await tx.delete(readingLevel).where(within(scope, readingLevel, eq(readingLevel.fileId, fileId)))
  await tx.delete(readingFile).where(within(scope, readingFile, eq(readingFile.id, fileId)))
}

async function removeInstallation(tx: Transaction, scope: OfWorkspace, id: string): Promise<void> {
  const here = within(scope, installation, eq(installation.id, id))
  const [row] = await tx.select({ sealed: installation.lastSealNumber }).from(installation).where(here).for('update')
  // Sealed after all, between the deletion and now: it stays, set aside.
  if (!row || row.sealed !== null) return
  const files = await tx
    .select({ id: readingFile.id })
    .from(readingFile)
    .where(within(scope, readingFile, eq(readingFile.installationId, id)))
  for (const file of files) await removeReadings(tx, scope, file.id)
  for (const table of [workingCopy, installationLine, checkResult, photo, shareLink, importJob, presence])
    await tx.delete(table).where(within(scope, table, eq(table.installationId, id)))
  await tx.delete(installation).where(here)
}

/** Removes for good what was deleted so long ago that it cannot be brought back any more; its entries in log and audit stay. Says how many. */
export async function emptyBin(now: Date): Promise<number> {
  const due = await database().select().from(bin).where(lte(bin.goneAt, now)).orderBy(asc(bin.goneAt)).limit(1000)
  for (const { workspaceId, kind, id } of due)
    await inWorkspace({ workspaceId }, async (tx) => {
      const scope = { workspaceId }
      const inBin = and(within(scope, bin, eq(bin.kind, kind), eq(bin.id, id)), lte(bin.goneAt, now))
      // Brought back between the look and now: it stays.
      if ((await tx.delete(bin).where(inBin).returning({ id: bin.id })).length === 0) return
      if (kind === 'installation') await removeInstallation(tx, scope, id)
      else if (kind === 'readings') await removeReadings(tx, scope, id)
      else await tx.delete(controllerModel).where(within(scope, controllerModel, eq(controllerModel.id, id)))
    })
  return due.length
}

/** Forgets tries, sessions and links that have run out. */
export async function forgetExpired(now: Date): Promise<void> {
  await database()
    .delete(tryCount)
    .where(sql`${tryCount.expire} < ${now.getTime()}`)
  await database().delete(session).where(lte(session.expiresAt, now))
  await database().delete(verification).where(lte(verification.expiresAt, now))
}
