import { getSealed } from '@/db/queries/revision'
import { HandOverStage } from '@/features/hand-over/HandOverStage'
import { listShareLinks } from '@/db/queries/shareLink'
import { listSites } from '@/db/queries/site'
import {
  copyInstallationAction,
  endShareAction,
  moveInstallationAction,
  placeAction,
  shareRecordAction,
} from '@/server/actions'
import { shownLog, shownPhotos, shownResults, shownRevisions } from '@/server/pack'
import { may } from '@/server/rights'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function HandOverPage(props: AtInstallation) {
  const { scope, role, id } = await requireSignedAt(props)
  const [revisions, log, results, photos, links, sites] = await Promise.all([
    shownRevisions(scope, id),
    shownLog(scope, id),
    shownResults(scope, id),
    shownPhotos(scope, id),
    may(role, 'seal') ? listShareLinks(scope, id) : [],
    listSites(scope),
  ])
  const [last] = revisions
  return (
    <HandOverStage
      installationId={id}
      revisions={revisions}
      lastSealed={last ? await getSealed(scope, id, last.number) : null}
      log={log}
      results={results}
      photos={photos}
      maySeal={may(role, 'seal')}
      mayWork={may(role, 'work')}
      onPlace={may(role, 'archive') ? placeAction : null}
      sharing={
        may(role, 'seal')
          ? {
              links: links.map(({ expiresAt, ...link }) => ({ ...link, expiresAt: expiresAt.toISOString() })),
              onShare: shareRecordAction,
              onEnd: endShareAction,
            }
          : null
      }
      elsewhere={
        may(role, 'work')
          ? { sites: sites.map(({ name }) => name), onCopy: copyInstallationAction, onMove: moveInstallationAction }
          : null
      }
    />
  )
}
