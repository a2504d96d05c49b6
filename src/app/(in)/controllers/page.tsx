import type { Metadata } from 'next'
import { listControllerModels } from '@/db/queries/controllerModel'
import { ControllersPage } from '@/features/controllers/ControllersPage'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Controllers' }

export default async function Controllers() {
  const { scope, preference } = await requireSigned()
  return <ControllersPage models={await listControllerModels(scope)} preference={preference} />
}
