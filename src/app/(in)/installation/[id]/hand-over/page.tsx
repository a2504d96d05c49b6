import { listCheckResults } from '@/db/queries/checkResult'
import { listLog } from '@/db/queries/log'
import { getSealed, listRevisions } from '@/db/queries/revision'
import { HandOverStage } from '@/features/hand-over/HandOverStage'
import { placeAction, sealAction, writeLogAction } from '@/server/actions'
import { may } from '@/server/rights'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function HandOverPage(props: AtInstallation) {
  const { scope, role, id } = await requireSignedAt(props)
  const [revisions, log, results] = await Promise.all([
    listRevisions(scope, id),
    listLog(scope, { installationId: id }),
    listCheckResults(scope, id),
  ])
  const [last] = revisions
  return (
    <HandOverStage
      installationId={id}
      revisions={revisions.map(({ sealedAt, ...revision }) => ({ ...revision, sealedAt: sealedAt.toISOString() }))}
      lastSealed={last ? await getSealed(scope, id, last.number) : null}
      log={log.map(({ id: entryId, text, writtenBy, writtenAt }) => ({
        id: entryId,
        text,
        writtenBy,
        writtenAt: writtenAt.toISOString(),
      }))}
      results={results.map(({ check, given, verdict }) => ({ check, given, verdict }))}
      onSeal={may(role, 'seal') ? sealAction : null}
      onWrite={may(role, 'work') ? writeLogAction : null}
      onPlace={may(role, 'archive') ? placeAction : null}
    />
  )
}
