import { findInstallations } from '@/db/queries/installationLine'
import { listSeals } from '@/db/queries/revision'
import { RespondStage } from '@/features/respond/RespondStage'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function RespondPage(at: AtInstallation) {
  const { scope, id } = await requireSignedAt(at)
  const [names, seals] = await Promise.all([findInstallations(scope, '', 200), listSeals(scope, id)])
  return (
    <RespondStage
      installationId={id}
      others={names.filter((other) => other.id !== id)}
      seals={seals.map(({ number, sealedAt }) => ({ number, sealedAt: sealedAt.toISOString() }))}
    />
  )
}
