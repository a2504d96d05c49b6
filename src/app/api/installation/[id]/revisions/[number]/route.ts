import type { Installation } from '@/core/installation/installation'
import { getSealed } from '@/db/queries/revision'
import { isUuid } from '@/server/commands/input'
import { respond } from '@/server/respond'
import type { Result } from '@/server/result'

type Context = { params: Promise<{ id: string; number: string }> }

/** What was sealed as one revision of an installation. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id, number } = await params
  return respond('look', null, async (scope): Promise<Result<{ document: Installation }>> => {
    const document = isUuid(id) && /^\d{1,6}$/.test(number) ? await getSealed(scope, id, Number(number)) : null
    return document ? { kind: 'done', document } : { kind: 'unknown' }
  })
}
