import type { Metadata } from 'next'
import { listAwayModels, listModels, listOwnModelIds } from '@/db/queries/controllerModel'
import { ControllersPage } from '@/features/controllers/ControllersPage'
import { may } from '@/server/rights'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Controllers' }

export default async function Controllers() {
  const { scope, role, preference } = await requireSigned()
  const [{ models, unreadable }, own, away] = await Promise.all([
    listModels(scope),
    listOwnModelIds(scope),
    listAwayModels(scope),
  ])
  return (
    <ControllersPage
      models={models}
      unreadable={unreadable}
      own={own}
      away={away.map(({ goneAt, ...model }) => ({ ...model, goneAt: goneAt?.toISOString() ?? null }))}
      mayArchive={may(role, 'archive')}
      preference={preference}
    />
  )
}
