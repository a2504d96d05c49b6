import { ProveStage } from '@/features/prove/ProveStage'
import { shownPhotos, shownResults } from '@/server/pack'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function ProvePage(props: AtInstallation) {
  const { scope, id } = await requireSignedAt(props)
  const [results, photos] = await Promise.all([shownResults(scope, id), shownPhotos(scope, id)])
  return <ProveStage installationId={id} results={results} photos={photos} />
}
