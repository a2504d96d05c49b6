import { listControllerModels } from '@/db/queries/controllerModel'
import { listReadingFiles } from '@/db/queries/reading'
import { RehearseStage } from '@/features/rehearse/RehearseStage'
import { keepFeedsAction } from '@/server/actions'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function RehearsePage(props: AtInstallation) {
  const { scope, id } = await requireSignedAt(props)
  const [files, models] = await Promise.all([listReadingFiles(scope, id), listControllerModels(scope)])
  return (
    <RehearseStage
      installationId={id}
      files={files.map(({ id: fileId, name, lineCount, fromMs, toMs, zone, columns, feeds }) => ({
        id: fileId,
        name,
        lineCount,
        fromMs,
        toMs,
        zone,
        columns,
        feeds,
      }))}
      models={models}
      onFeeds={keepFeedsAction}
    />
  )
}
