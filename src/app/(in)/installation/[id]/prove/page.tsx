import { listCheckResults } from '@/db/queries/checkResult'
import { ProveStage } from '@/features/prove/ProveStage'
import { keepCheckAction } from '@/server/actions'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function ProvePage(props: AtInstallation) {
  const { scope, id } = await requireSignedAt(props)
  const results = await listCheckResults(scope, id)
  return (
    <ProveStage
      installationId={id}
      results={results.map(({ check, given, verdict, finding }) => ({ check, given, verdict, finding }))}
      onKeep={keepCheckAction}
    />
  )
}
