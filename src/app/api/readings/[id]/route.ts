import { isUuid } from '@/server/commands/input'
import { getReadings, type ReadingTable } from '@/db/queries/reading'
import type { Result } from '@/server/result'
import { isDatabaseGone } from '@/db/client'
import { LARGEST_READINGS_BYTES } from '@/core/formats/readingsCsv/limit'
import { importReadingsFile } from '@/server/commands/importReadingsFile'
import { respond, scopeOrResponse } from '@/server/respond'

type Context = { params: Promise<{ id: string }> }

const REPORT_EVERY_BYTES = 250_000

/** Every reading of a file, a list a column. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id } = await params
  return respond(async (scope): Promise<Result<ReadingTable>> => {
    const table = isUuid(id) ? await getReadings(scope, id) : null
    return table ? { kind: 'done', ...table } : { kind: 'unknown' }
  })
}

/** Imports a CSV under this new id. Answers with a line of JSON for each piece of progress, and the result as the last line. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const scope = await scopeOrResponse()
  if (scope instanceof Response) return scope
  const { id } = await params
  const query = new URL(request.url).searchParams
  const size = Number(request.headers.get('content-length') ?? 0)
  const tooLarge = size > LARGEST_READINGS_BYTES
  const body = request.body
  if (!body || tooLarge) {
    const text = tooLarge
      ? `The file has ${Math.round(size / 1e6)} MB; the most is ${LARGEST_READINGS_BYTES / 1e6}. Cut it by month and import the parts one after another.`
      : 'The file is empty.'
    return Response.json(
      { kind: 'invalid', problems: [{ code: 'said', path: '', text }] },
      { status: tooLarge ? 413 : 422 },
    )
  }
  const encoder = new TextEncoder()
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const line = (value: object) => controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`))
      let reported = 0
      try {
        const input = { id, installationId: query.get('installation') ?? '', name: query.get('name') ?? 'readings.csv' }
        line(
          await importReadingsFile(scope, input, body, (bytes) => {
            if (bytes - reported < REPORT_EVERY_BYTES) return
            reported = bytes
            line({ kind: 'progress', share: size > 0 ? bytes / size : 0 })
          }),
        )
      } catch (error) {
        if (!isDatabaseGone(error)) console.error(error)
        line({ kind: 'unavailable' })
      }
      controller.close()
    },
  })
  return new Response(stream, { headers: { 'content-type': 'application/x-ndjson' } })
}
