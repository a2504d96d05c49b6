import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { canonicalJson } from '@/core/document/canonical'
import { freeId } from '@/core/document/freeId'
import { getControllerModel, listControllerModels } from '@/db/queries/controllerModel'
import { listInstallationNames } from '@/db/queries/installation'
import { ModelEditor } from '@/features/controllers/ModelEditor'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Controller of your own' }

export default async function ControllerPage({ params }: { params: Promise<{ id: string }> }) {
  const [{ scope, preference }, { id }] = await Promise.all([requireSigned(), params])
  const found = await getControllerModel(scope, decodeURIComponent(id))
  if (!found) notFound()
  const { model, madeBy } = found
  const [known, yard] = await Promise.all([listControllerModels(scope), listInstallationNames(scope)])
  const own =
    madeBy === null
      ? {
          ...model,
          id: freeId(
            known.map((other) => other.id),
            `${model.id}-own`,
          ),
          name: `${model.name}, my own`,
          about: `Begun from “${model.name}”.`,
        }
      : model
  return <ModelEditor text={canonicalJson(own)} isNew={madeBy === null} installations={yard} preference={preference} />
}
