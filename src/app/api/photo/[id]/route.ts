import { getPhoto } from '@/db/queries/photo'
import { isUuid } from '@/server/commands/input'
import { respondWith } from '@/server/respond'

/** One picture that was taken on site. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return respondWith('look', null, async (scope) => {
    const found = isUuid(id) ? await getPhoto(scope, id) : null
    return found && new Response(new Uint8Array(found.bytes), { headers: { 'content-type': found.type } })
  })
}
