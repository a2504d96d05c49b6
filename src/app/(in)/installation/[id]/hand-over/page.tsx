import { listCheckResults } from '@/db/queries/checkResult'
import { listLog } from '@/db/queries/log'
import { listRevisions } from '@/db/queries/revision'
import { HandOverStage } from '@/features/hand-over/HandOverStage'
import { sealAction, writeLogAction } from '@/server/actions'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function HandOverPage(props: AtInstallation) {
  const { scope, id } = await requireSignedAt(props)
  const [revisions, log, results] = await Promise.all([
    listRevisions(scope, id),
    listLog(scope, id),
    listCheckResults(scope, id),
  ])
  return (
    <HandOverStage
      installationId={id}
      revisions={revisions.map(({ sealedAt, data: _data, ...revision }) => ({
        ...revision,
        sealedAt: sealedAt.toISOString(),
      }))}
      log={log.map(({ id: entryId, text, writtenBy, writtenAt }) => ({
        id: entryId,
        text,
        writtenBy,
        writtenAt: writtenAt.toISOString(),
      }))}
      results={results.map(({ check, given, verdict }) => ({ check, given, verdict }))}
      onSeal={sealAction}
      onWrite={writeLogAction}
    />
  )
}
