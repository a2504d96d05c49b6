import { CalibrateStage } from '@/features/calibrate/CalibrateStage'
import { shownPhotos } from '@/server/pack'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function CalibratePage(props: AtInstallation) {
  const { scope, id } = await requireSignedAt(props)
  return <CalibrateStage installationId={id} photos={await shownPhotos(scope, id)} />
}
