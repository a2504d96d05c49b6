import { listImports } from '@/db/queries/importJob'
import { listDeletedFiles, listReadingFiles } from '@/db/queries/reading'
import { ReadingsPage } from '@/features/readings/ReadingsPage'
import { placeAction } from '@/server/actions'
import { may } from '@/server/rights'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function Readings(props: AtInstallation) {
  const { scope, role, id } = await requireSignedAt(props)
  const [files, deleted, jobs] = await Promise.all([
    listReadingFiles(scope, id),
    listDeletedFiles(scope, id),
    listImports(scope, id),
  ])
  return (
    <ReadingsPage
      installationId={id}
      files={files.map(({ importedAt: _importedAt, ...file }) => file)}
      deleted={deleted.map(({ goneAt, ...file }) => ({ ...file, goneAt: goneAt.toISOString() }))}
      onPlace={may(role, 'archive') ? placeAction : null}
      jobs={jobs.map(({ installationId: _installationId, ...job }) => job)}
    />
  )
}
