import { isUuid } from '@/server/commands/input'
import { canonicalJson } from '@/core/document/canonical'
import { getInstallation } from '@/db/queries/installation'
import { scopeOrResponse } from '@/server/respond'

/** The working copy as one JSON file, to keep, send or import elsewhere. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const scope = await scopeOrResponse()
  if (scope instanceof Response) return scope
  const { id } = await params
  const row = isUuid(id) ? await getInstallation(scope, id) : null
  if (!row) return new Response('There is no such installation here.', { status: 404 })
  // What cannot be opened is still exported, as it is stored.
  const [document, title] =
    row.kind === 'open' ? [row.workingCopy.document, row.workingCopy.document.name] : [row.data, row.name]
  const name =
    title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'installation'
  return new Response(canonicalJson(document), {
    headers: { 'content-type': 'application/json', 'content-disposition': `attachment; filename="${name}.json"` },
  })
}
