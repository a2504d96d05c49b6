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
