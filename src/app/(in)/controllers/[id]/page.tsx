import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { canonicalJson } from '@/core/json/canonical'
import { freeId } from '@/core/json/freeId'
import { readControllerModel } from '@/core/installation/read'
import { getControllerModel, listControllerModels } from '@/db/queries/controllerModel'
import { findInstallations } from '@/db/queries/installationLine'
import { ModelEditor } from '@/features/controllers/ModelEditor'
import { mayDraw } from '@/server/drawing'
import { requireSigned } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

export const metadata: Metadata = { title: 'Controller of your own' }

export default async function ControllerPage({ params }: { params: Promise<{ id: string }> }) {
  const [{ scope, preference }, { id }] = await Promise.all([requireSigned(), params])
  const found = await getControllerModel(scope, decodeURIComponent(id))
  if (!found) notFound()
  const { data, madeBy } = found
  const read = readControllerModel(data)
  const [known, yard] = await Promise.all([listControllerModels(scope), findInstallations(scope, '', 200)])
  const own =
    madeBy === null && read.ok
      ? {
          ...read.value,
          id: freeId(
            known.map((other) => other.id),
            `${read.value.id}-own`,
          ),
          name: `${read.value.name}, my own`,
          about: `Begun from “${read.value.name}”.`,
        }
      : data
  return (
    <InBrowser isDrawn={mayDraw()}>
      <ModelEditor text={canonicalJson(own)} isNew={madeBy === null} installations={yard} preference={preference} />
    </InBrowser>
  )
}
