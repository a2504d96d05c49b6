import { viewReadings, type ReadingView } from '@/db/queries/reading'
import { isUuid } from '@/server/commands/input'
import { respond } from '@/server/respond'
import type { Result } from '@/server/result'

/** What a chart so many points wide shows between two instants: `?from=ms&to=ms&points=n`. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  const query = new URL(request.url).searchParams
  const [from, to, points] = ['from', 'to', 'points'].map((key) => Number(query.get(key) ?? NaN))
  return respond('look', null, async (scope): Promise<Result<ReadingView>> => {
    const isAsked = Number.isSafeInteger(from) && Number.isSafeInteger(to) && from! <= to! && points! >= 1
    if (!isAsked) {
      return { kind: 'invalid', problems: [{ code: 'view_asked_wrong', path: '' }] }
    }
    const view = isUuid(id) ? await viewReadings(scope, id, from!, to!, points!) : null
    return view ? { kind: 'done', ...view } : { kind: 'unknown' }
  })
}
