import type { Metadata } from 'next'
import { listControllerModels, listOwnModelIds } from '@/db/queries/controllerModel'
import { ControllersPage } from '@/features/controllers/ControllersPage'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Controllers' }

export default async function Controllers() {
  const { scope, preference } = await requireSigned()
  const [models, own] = await Promise.all([listControllerModels(scope), listOwnModelIds(scope)])
  return <ControllersPage models={models} own={own} preference={preference} />
}
