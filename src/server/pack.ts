import 'server-only'
import { atSite } from '@/core/quantity/format'
import { listCheckResults } from '@/db/queries/checkResult'
import { listControllerModels } from '@/db/queries/controllerModel'
import { getInstallation } from '@/db/queries/installation'
import { listLog } from '@/db/queries/log'
import { listPhotos } from '@/db/queries/photo'
import { getSealed, listRevisions } from '@/db/queries/revision'
import { localRulesOf } from '@/db/queries/workspace'
import type { Scope } from '@/db/client'
import { may } from '@/server/rights'
import type { Signed } from '@/server/scope'
import type { Pack, ShownLogEntry, ShownPhoto, ShownResult, ShownRevision } from '@/ui/onSite/pack'

export const shownResults = async (scope: Scope, id: string): Promise<ShownResult[]> =>
  (await listCheckResults(scope, id)).map(({ reading: _reading, takenAt, readAt, ...result }) => ({
    ...result,
    readAt: (takenAt ?? readAt).toISOString(),
  }))

export const shownRevisions = async (scope: Scope, id: string): Promise<ShownRevision[]> =>
  (await listRevisions(scope, id)).map(({ sealedAt, signedAt, ...revision }) => ({
    ...revision,
    sealedAt: sealedAt.toISOString(),
    signedAt: signedAt?.toISOString() ?? null,
  }))

export const shownLog = async (scope: Scope, installationId: string): Promise<ShownLogEntry[]> =>
  (await listLog(scope, { installationId })).map(({ id, text, writtenBy, writtenAt, corrects }) => ({
    ...{ id, text, writtenBy, corrects },
    writtenAt: writtenAt.toISOString(),
  }))

export const shownPhotos = async (scope: Scope, id: string): Promise<ShownPhoto[]> =>
  (await listPhotos(scope, id)).map(({ takenAt, ...photo }) => ({ ...photo, takenAt: takenAt.toISOString() }))

/** Everything of an installation that its pages draw; null where there is no such thing here, or nothing that can be opened. */
export async function packOf({ scope, role, preference }: Signed, id: string): Promise<Pack | null> {
  const row = await getInstallation(scope, id)
  if (row?.kind !== 'open') return null
  const [results, revisions, log, photos, models, localRules] = await Promise.all([
    shownResults(scope, id),
    shownRevisions(scope, id),
    shownLog(scope, id),
    shownPhotos(scope, id),
    listControllerModels(scope),
    localRulesOf(scope),
  ])
  const [last] = revisions
  const { document, version, savedAt } = row.workingCopy
  return {
    ...{
      id,
      role,
      preference: atSite(preference, row.siteZone),
      document,
      version,
      results,
      revisions,
      log,
      photos,
      models,
      localRules,
    },
    workspaceId: scope.workspaceId,
    personId: scope.personId,
    personName: scope.personName,
    maySeal: may(role, 'seal'),
    mayWork: may(role, 'work'),
    siteName: row.siteName,
    savedAt: savedAt.toISOString(),
    lastSealed: last ? await getSealed(scope, id, last.number) : null,
    takenAt: new Date().toISOString(),
  }
}
