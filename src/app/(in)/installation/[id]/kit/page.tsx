import { listControllerModels } from '@/db/queries/controllerModel'
import { KitStage } from '@/features/kit/KitStage'
import { requireSigned } from '@/server/scope'

export default async function KitPage() {
  const { scope } = await requireSigned()
  return <KitStage models={await listControllerModels(scope)} />
}
