import { getInstallation } from '@/db/queries/installation'
import { isUuid } from '@/server/commands/input'
import { respondWith } from '@/server/respond'
import { exportWorkspace } from '@/server/workspaceFile/export'

/** One installation with all that is its own (readings, checks, seals, log, photos), to keep or to take to another server. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return respondWith('look', { action: 'exported', what: 'installation, whole', installationId: id }, async (scope) => {
    if (!isUuid(id) || !(await getInstallation(scope, id))) return null
    return new Response(exportWorkspace(scope, id), {
      headers: { 'content-type': 'application/zip', 'content-disposition': 'attachment; filename="installation.zip"' },
    })
  })
}
