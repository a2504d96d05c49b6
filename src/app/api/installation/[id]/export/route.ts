import { getInstallation } from '@/db/queries/installation'
import { fileName } from '@/core/json/fileName'
import { isUuid } from '@/server/commands/input'
import { heavy } from '@/server/heavy/heavy'
import { respondWith } from '@/server/respond'

/** The working copy as one JSON file, to keep, send or import elsewhere. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return respondWith('look', { action: 'exported', what: 'installation', installationId: id }, async (scope) => {
    const row = isUuid(id) ? await getInstallation(scope, id) : null
    if (!row) return null
    // What cannot be opened is still exported, as it is stored.
    const [document, title] =
      row.kind === 'open' ? [row.workingCopy.document, row.workingCopy.document.name] : [row.data, row.name]
    return new Response(await heavy('canonicalJson', document), {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="${fileName(title)}.json"`,
      },
    })
  })
}
