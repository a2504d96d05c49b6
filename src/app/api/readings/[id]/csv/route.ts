import { writeReadingsCsv } from '@/core/formats/readingsCsv/write'
import { getReadingFile, readingRows } from '@/db/queries/reading'
import { csvFile } from '@/server/csv'
import { isUuid } from '@/server/commands/input'
import { respondWith } from '@/server/respond'

/** A readings file written out again as CSV, in base units, its times as the logger's clock had them. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return respondWith('look', { action: 'exported', what: `readings ${id}` }, async (scope) => {
    const file = isUuid(id) ? await getReadingFile(scope, id) : null
    if (!file) return null
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
    return csvFile(file.name, stream)
  })
}
