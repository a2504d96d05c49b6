import { DialInStage } from '@/features/dial-in/DialInStage'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function DialInPage(props: AtInstallation) {
  const { id } = await requireSignedAt(props)
  return <DialInStage installationId={id} />
}
