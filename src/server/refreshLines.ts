import { overviewMadeBy } from '@/core/record/overview'
import { listStaleLines, saveLine } from '@/db/queries/installationLine'
import type { OfWorkspace } from '@/db/queries/within'
import { utcToday } from '@/server/utcToday'
import { heavy } from '@/server/heavy/heavy'

/** Derives anew what lists show of installations that changed since, or that another version of the program derived, at most so many; says how
 *  many those were. Looks among those that are named, or at all of the workspace. */
export async function refreshLines(scope: OfWorkspace, most: number, among?: readonly string[]): Promise<number> {
  const madeBy = overviewMadeBy(utcToday())
  const stale = await listStaleLines(scope, madeBy, most, among)
  for (const { document, sealed, sealedOpen, sealNumber, version, installationId: id } of stale) {
    const { name, overview, needs, isAsSealed } = await heavy('overview', document, sealed, sealedOpen)
    const duty = overview.kind === 'shown' ? overview.duty : null
    await saveLine(scope, madeBy, {
      installationId: id,
      name,
      duty,
      needs,
      isAsSealed,
      line: overview,
      version,
      sealNumber,
    })
  }
  return stale.length
}

/** After a change that was kept: whatever goes wrong here is mended when a list is read, so the change is acknowledged all the same. */
export async function refreshLine(scope: OfWorkspace, installationId: string): Promise<void> {
  await refreshLines(scope, 1, [installationId]).catch((error: unknown) => console.error(error))
}
