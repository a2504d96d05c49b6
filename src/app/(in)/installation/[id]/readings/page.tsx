import { listImports } from '@/db/queries/importJob'
import { listReadingFiles } from '@/db/queries/reading'
import { ReadingsPage } from '@/features/readings/ReadingsPage'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export default async function Readings(props: AtInstallation) {
  const { scope, id } = await requireSignedAt(props)
  const [files, jobs] = await Promise.all([listReadingFiles(scope, id), listImports(scope, id)])
  return (
    <ReadingsPage
      installationId={id}
      files={files.map(({ importedAt: _importedAt, ...file }) => file)}
      jobs={jobs.map(({ installationId: _installationId, ...job }) => job)}
    />
  )
}
