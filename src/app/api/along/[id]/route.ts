import { isUuid } from '@/server/commands/input'
import { packOf } from '@/server/pack'
import { respond } from '@/server/respond'
import type { Result } from '@/server/result'
import type { Pack } from '@/ui/onSite/pack'

/** Everything of an installation that its pages draw, to be taken along where there is no signal. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return respond('look', null, async (_scope, who): Promise<Result<{ pack: Pack }>> => {
    const pack = isUuid(id) ? await packOf(who, id) : null
    return pack ? { kind: 'done', pack } : { kind: 'unknown' }
  })
}
