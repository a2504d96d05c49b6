import { unparse } from 'papaparse'

/** Rows as CSV, CRLF between them as RFC 4180 has it. A cell that a spreadsheet would take for a formula is made a text (OWASP: CSV injection). */
export const csvText = (rows: readonly (readonly (string | number)[])[]): string =>
  `${unparse(rows as (string | number)[][], { escapeFormulae: true })}\r\n`

/** An answer that a browser keeps as a file. */
export const csvFile = (name: string, body: string | ReadableStream<Uint8Array>): Response =>
  new Response(body, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
    },
  })

type Rows = readonly (readonly (string | number)[])[]

/** Rows as CSV, a page of the database at a time, so that none of it has to fit into memory.
 *  @param next the rows before a place in the order (of the newest where none is named), and where they end; null at the end of all */
export function pagedCsv(
  name: string,
  heading: readonly string[],
  next: (before: number | undefined) => Promise<{ rows: Rows; before: number | null }>,
): Response {
  const encoder = new TextEncoder()
  let before: number | undefined
  let isFirst = true
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const page = await next(before)
      const rows = [...(isFirst ? [heading] : []), ...page.rows]
      isFirst = false
      if (rows.length > 0) controller.enqueue(encoder.encode(csvText(rows)))
      if (page.before === null) controller.close()
      else before = page.before
    },
  })
  return csvFile(name, stream)
}
