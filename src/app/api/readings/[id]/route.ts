import { parseJson } from '@/core/json/parseJson'
import type { ReadingTable } from '@/core/rehearse/readingsSeries'
import { getReadings } from '@/db/queries/reading'
import { isUuid } from '@/server/commands/input'
import { sendReadings } from '@/server/commands/sendReadings'
import { respond, respondToChange } from '@/server/respond'
import type { Result } from '@/server/result'

type Context = { params: Promise<{ id: string }> }

/** Every reading of a file, a list a column; means of stretches where it is a long one. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id } = await params
  return respond('look', null, async (scope): Promise<Result<ReadingTable>> => {
    const table = isUuid(id) ? await getReadings(scope, id) : null
    return table ? { kind: 'done', ...table } : { kind: 'unknown' }
  })
}

/** Takes a CSV under this new id; it is imported in the background, see /api/imports. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params
  const query = new URL(request.url).searchParams
  const layout = parseJson(query.get('layout') ?? '')
  const feeds = parseJson(query.get('feeds') ?? 'null')
  const audited = { action: 'sent readings', what: query.get('name') ?? '', installationId: query.get('installation') }
  return respondToChange(request, 'work', audited, async (scope): Promise<Result<{ id: string }>> => {
    if (!layout.ok) return { kind: 'invalid', problems: layout.problems }
    if (!feeds.ok) return { kind: 'invalid', problems: feeds.problems }
    const input = {
      id,
      installationId: query.get('installation') ?? '',
      name: query.get('name') ?? 'readings.csv',
      bytes: Number(request.headers.get('content-length') ?? 0),
      layout: layout.value,
      feeds: feeds.value,
    }
    return sendReadings(scope, input, request.body ?? new ReadableStream())
  })
}
