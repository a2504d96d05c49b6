import type { Metadata } from 'next'
import { listModels, listOwnModelIds } from '@/db/queries/controllerModel'
import { ControllersPage } from '@/features/controllers/ControllersPage'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Controllers' }

export default async function Controllers() {
  const { scope, preference } = await requireSigned()
  const [{ models, unreadable }, own] = await Promise.all([listModels(scope), listOwnModelIds(scope)])
  return <ControllersPage models={models} unreadable={unreadable} own={own} preference={preference} />
}
