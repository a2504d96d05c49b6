import { writeReadingsCsv } from '@/core/formats/readingsCsv/write'
import { getReadingFile, readingRows } from '@/db/queries/reading'
import { isUuid } from '@/server/commands/input'
import { scopeOrResponse } from '@/server/respond'

/** A readings file written out again as CSV, in base units, its times as the logger's clock had them. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const scope = await scopeOrResponse()
  if (scope instanceof Response) return scope
  const { id } = await params
  const file = isUuid(id) ? await getReadingFile(scope, id) : null
  if (!file) return new Response('There is no such readings file here.', { status: 404 })
  const encoder = new TextEncoder()
  const pages = readingRows(scope, file)
  const write = writeReadingsCsv(file.columns, file.zone)
  let isFirst = true
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { done, value } = await pages.next()
      if (isFirst) controller.enqueue(encoder.encode(write.header))
      isFirst = false
      if (done) controller.close()
      else controller.enqueue(encoder.encode(write.rows(value)))
    },
  })
  return new Response(stream, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`,
    },
  })
}
