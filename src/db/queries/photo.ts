import { asc, eq } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { hasInstallation, within } from '@/db/queries/within'
import { photo } from '@/db/schema'

export type Photo = {
  readonly id: string
  readonly about: string
  readonly caption: string
  readonly takenBy: string
  readonly takenAt: Date
}
type NewPhoto = Omit<Photo, 'takenBy'> & {
  readonly installationId: string
  readonly type: string
  readonly bytes: Buffer
}

/** Keeps a picture; the same id sent twice is one. False when the installation is not of this workspace, or the id belongs to another. */
export const addPhoto = (scope: Scope, taken: NewPhoto): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    if (!(await hasInstallation(tx, scope, taken.installationId))) return false
    const kept = await tx
      .insert(photo)
      .values({ ...taken, workspaceId: scope.workspaceId, takenBy: scope.personName })
      .onConflictDoNothing()
      .returning({ id: photo.id })
    const same = within(scope, photo, eq(photo.id, taken.id), eq(photo.installationId, taken.installationId))
    return kept.length > 0 || (await tx.$count(photo, same)) === 1
  })

/** The pictures of an installation in the order in which they were taken, without their bytes. */
export const listPhotos = (scope: Scope, installationId: string): Promise<Photo[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({
        id: photo.id,
        about: photo.about,
        caption: photo.caption,
        takenBy: photo.takenBy,
        takenAt: photo.takenAt,
      })
      .from(photo)
      .where(within(scope, photo, eq(photo.installationId, installationId)))
      .orderBy(asc(photo.takenAt), asc(photo.id)),
  )

/** One picture; null where there is none of this workspace. */
export const getPhoto = (scope: Scope, id: string): Promise<{ type: string; bytes: Buffer } | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select({ type: photo.type, bytes: photo.bytes })
      .from(photo)
      .where(within(scope, photo, eq(photo.id, id)))
    return row ?? null
  })

/** The pictures of an installation with their bytes, in the order in which they were taken. */
export const listWholePhotos = (
  scope: Scope,
  installationId: string,
): Promise<Pick<typeof photo.$inferSelect, 'caption' | 'takenAt' | 'type' | 'bytes'>[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({ caption: photo.caption, takenAt: photo.takenAt, type: photo.type, bytes: photo.bytes })
      .from(photo)
      .where(within(scope, photo, eq(photo.installationId, installationId)))
      .orderBy(asc(photo.takenAt), asc(photo.id)),
  )
