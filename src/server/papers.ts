import 'server-only'
import { getInstallation } from '@/db/queries/installation'
import { listWholePhotos } from '@/db/queries/photo'
import { getSealed, listRevisions } from '@/db/queries/revision'
import type { Scope } from '@/db/client'
import type { Sealed } from '@/core/record/sealed'
import { atSite, type UnitPreference } from '@/core/quantity/format'
import { ownUrl } from '@/server/settings'
import { shownResults } from '@/server/pack'

const WORKING = 'working'

/** The revision that is asked for: the last one where none is named; null is the working copy, undefined where there is none of that name.
 *  @param rev number of the revision, `working`, or null */
export function revisionAsked<T extends { readonly number: number }>(
  revisions: readonly T[],
  rev: string | null,
): T | null | undefined {
  const wanted = rev ?? String(revisions[0]?.number ?? WORKING)
  return wanted === WORKING ? null : revisions.find(({ number }) => String(number) === wanted)
}

/** What the papers of a revision are made of, without the pictures, which only the record shows; null where there is none.
 *  @param rev as `revisionAsked` takes it */
export async function sealedFor(
  scope: Scope,
  id: string,
  rev: string | null,
  preference: UnitPreference,
): Promise<Sealed | null> {
  const row = await getInstallation(scope, id)
  if (!row) return null
  const [revisions, results] = await Promise.all([listRevisions(scope, id), shownResults(scope, id)])
  const revision = revisionAsked(revisions, rev)
  if (revision === undefined) return null
  const document = revision
    ? await getSealed(scope, id, revision.number)
    : row.kind === 'open'
      ? row.workingCopy.document
      : null
  if (!document) return null
  const earlier = revisions.find(({ number }) => !revision || number < revision.number)
  return {
    document,
    siteName: row.siteName,
    seal: revision
      ? {
          ...revision,
          sealedAt: revision.sealedAt.toISOString(),
          signedAt: revision.signedAt?.toISOString() ?? null,
        }
      : null,
    results: results.filter(({ readAt }) => !revision || Date.parse(readAt) <= revision.sealedAt.getTime()),
    before: earlier ? await getSealed(scope, id, earlier.number) : null,
    photos: [],
    address: `${ownUrl()}/record/${id}?rev=${revision ? revision.number : WORKING}`,
    preference: atSite(preference, row.siteZone),
  }
}

/** The pictures as a paper takes them. */
export const paperPhotos = async (scope: Scope, id: string): Promise<Sealed['photos']> =>
  (await listWholePhotos(scope, id)).map(({ caption, takenAt, type, bytes }) => ({
    caption,
    takenAt: takenAt.toISOString(),
    dataUrl: `data:${type};base64,${bytes.toString('base64')}`,
  }))
