import { listControllerModels } from '@/db/queries/controllerModel'
import { KitStage } from '@/features/kit/KitStage'
import { shownPhotos } from '@/server/pack'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function KitPage(props: AtInstallation) {
  const { scope, id } = await requireSignedAt(props)
  const [models, photos] = await Promise.all([listControllerModels(scope), shownPhotos(scope, id)])
  return <KitStage installationId={id} models={models} photos={photos} />
}
