import { randomUUID } from 'node:crypto'
import { and, asc, eq, isNull } from 'drizzle-orm'
import { inWorkspace } from '@/db/client'
import { ofItsInstallation, within, type OfWorkspace } from '@/db/queries/within'
import {
  checkResult,
  controllerModel,
  installation,
  logEntry,
  photo,
  readingFile,
  revision,
  site,
  workingCopy,
} from '@/db/schema'

// Everything of a workspace as it is stored, for its own file, and back.

export const listInstallationIds = (scope: OfWorkspace): Promise<string[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select({ id: installation.id })
      .from(installation)
      .where(within(scope, installation))
      .orderBy(asc(installation.createdAt), asc(installation.id))
    return rows.map(({ id }) => id)
  })

/** One installation with all that belongs to it, readings apart; null where it has gone meanwhile. */
export const wholeInstallation = (scope: OfWorkspace, id: string) =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select({
        id: installation.id,
        site: site.name,
        createdAt: installation.createdAt,
        setAsideAt: installation.setAsideAt,
        setAsideBy: installation.setAsideBy,
        document: workingCopy.document,
        version: workingCopy.version,
        savedBy: workingCopy.savedBy,
        savedAt: workingCopy.savedAt,
      })
      .from(installation)
      .innerJoin(workingCopy, ofItsInstallation(workingCopy))
      .innerJoin(site, and(eq(site.workspaceId, installation.workspaceId), eq(site.id, installation.siteId)))
      .where(within(scope, installation, eq(installation.id, id)))
    if (!row) return null
    const revisions = await tx
      .select({
        id: revision.id,
        number: revision.number,
        reason: revision.reason,
        document: revision.document,
        open: revision.open,
        fingerprint: revision.fingerprint,
        signedAt: revision.signedAt,
        signature: revision.signature,
        localRules: revision.localRules,
        sealedBy: revision.sealedBy,
        sealedAt: revision.sealedAt,
      })
      .from(revision)
      .where(within(scope, revision, eq(revision.installationId, id)))
      .orderBy(asc(revision.number))
    const checks = await tx
      .select({
        id: checkResult.id,
        check: checkResult.check,
        given: checkResult.given,
        reading: checkResult.reading,
        verdict: checkResult.verdict,
        finding: checkResult.finding,
        note: checkResult.note,
        takenAt: checkResult.takenAt,
        readBy: checkResult.readBy,
        readAt: checkResult.readAt,
      })
      .from(checkResult)
      .where(within(scope, checkResult, eq(checkResult.installationId, id)))
      .orderBy(asc(checkResult.seq))
    const photos = await tx
      .select()
      .from(photo)
      .where(within(scope, photo, eq(photo.installationId, id)))
      .orderBy(asc(photo.takenAt), asc(photo.id))
    return { ...row, revisions, checks, log: await logOf(tx, scope, id), photos: photos.map(photoPart) }
  })

type PhotoRow = typeof photo.$inferSelect

/** A picture in a file of JSON: its bytes in base 64. */
const photoPart = ({ id, about, caption, type, bytes, takenBy, takenAt }: PhotoRow) => ({
  ...{ id, about, caption, type, takenBy, takenAt },
  data: bytes.toString('base64'),
})

const logOf = (tx: Parameters<Parameters<typeof inWorkspace>[1]>[0], scope: OfWorkspace, id: string | null) =>
  tx
    .select({
      id: logEntry.id,
      kind: logEntry.kind,
      text: logEntry.text,
      corrects: logEntry.corrects,
      detail: logEntry.detail,
      writtenBy: logEntry.writtenBy,
      writtenAt: logEntry.writtenAt,
    })
    .from(logEntry)
    .where(within(scope, logEntry, id === null ? isNull(logEntry.installationId) : eq(logEntry.installationId, id)))
    .orderBy(asc(logEntry.seq))

/** The log entries that are about no installation. */
export const wholeLog = (scope: OfWorkspace) => inWorkspace(scope, (tx) => logOf(tx, scope, null))

export const wholeControllers = (scope: OfWorkspace) =>
  inWorkspace(scope, (tx) =>
    tx
      .select({
        id: controllerModel.id,
        document: controllerModel.document,
        madeBy: controllerModel.madeBy,
        setAsideAt: controllerModel.setAsideAt,
      })
      .from(controllerModel)
      .where(within(scope, controllerModel))
      .orderBy(asc(controllerModel.id)),
  )

export const wholeReadingFiles = (scope: OfWorkspace) =>
  inWorkspace(scope, (tx) =>
    tx
      .select()
      .from(readingFile)
      .where(within(scope, readingFile, isNull(readingFile.goneAt)))
      .orderBy(asc(readingFile.importedAt)),
  )

type Part = NonNullable<Awaited<ReturnType<typeof wholeInstallation>>>
/** A part as it comes out of a file: its times are texts. */
type Written<T> = {
  [Key in keyof T]: T[Key] extends Date ? string : T[Key] extends Date | null ? string | null : T[Key]
}
export type InstallationIn = Written<Omit<Part, 'revisions' | 'checks' | 'log' | 'photos'>> & {
  revisions: Written<Part['revisions'][number]>[]
  checks: Written<Part['checks'][number]>[]
  log: LogIn[]
  photos: Written<Part['photos'][number]>[]
}
/** An entry of a former file has no id. */
type LogIn = Omit<Written<Part['log'][number]>, 'id'> & { id?: string }

const timeOf = (text: string): Date => new Date(text)
const timeOrNull = (text: string | null): Date | null => (text === null ? null : new Date(text))

/** Puts an installation of a file into a workspace, with the ids, names and times it had. */
export const putInstallation = (scope: OfWorkspace, part: InstallationIn): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId } = scope
    const { id, site: siteName, revisions, checks, log, photos, ...rest } = part
    await tx.insert(site).values({ workspaceId, name: siteName }).onConflictDoNothing()
    const [at] = await tx
      .select({ id: site.id })
      .from(site)
      .where(within(scope, site, eq(site.name, siteName)))
    const last = revisions.at(-1)
    await tx.insert(installation).values({
      id,
      workspaceId,
      siteId: at!.id,
      createdAt: timeOf(rest.createdAt),
      setAsideAt: rest.setAsideAt === null ? null : timeOf(rest.setAsideAt),
      setAsideBy: rest.setAsideBy,
      lastSealNumber: last?.number ?? null,
      lastSealedAt: last ? timeOf(last.sealedAt) : null,
    })
    const of = { workspaceId, installationId: id }
    await tx.insert(workingCopy).values({
      ...of,
      version: rest.version,
      document: rest.document,
      saveId: randomUUID(),
      savedBy: rest.savedBy,
      savedAt: timeOf(rest.savedAt),
    })
    for (const { sealedAt, signedAt, ...sealed } of revisions)
      await tx.insert(revision).values({ ...of, ...sealed, sealedAt: timeOf(sealedAt), signedAt: timeOrNull(signedAt) })
    for (const { readAt, takenAt, ...check } of checks)
      await tx.insert(checkResult).values({ ...of, ...check, readAt: timeOf(readAt), takenAt: timeOrNull(takenAt) })
    for (const { writtenAt, id: entryId = randomUUID(), ...entry } of log)
      await tx.insert(logEntry).values({ ...of, ...entry, id: entryId, writtenAt: timeOf(writtenAt) })
    for (const { takenAt, data, ...picture } of photos)
      await tx.insert(photo).values({ ...of, ...picture, takenAt: timeOf(takenAt), bytes: Buffer.from(data, 'base64') })
  })

export const putLog = (scope: OfWorkspace, log: InstallationIn['log']): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    for (const { writtenAt, id = randomUUID(), ...entry } of log)
      await tx.insert(logEntry).values({ ...entry, workspaceId: scope.workspaceId, id, writtenAt: timeOf(writtenAt) })
  })

/** Puts a controller of a file into a workspace; one that is there already gives way. */
export const putController = (
  scope: OfWorkspace,
  { setAsideAt, ...part }: { id: string; document: unknown; madeBy: string | null; setAsideAt: string | null },
): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    const row = { ...part, setAsideAt: setAsideAt === null ? null : timeOf(setAsideAt) }
    await tx
      .insert(controllerModel)
      .values({ ...row, workspaceId: scope.workspaceId })
      .onConflictDoUpdate({ target: [controllerModel.workspaceId, controllerModel.id], set: row })
  })
