import { listAudit } from '@/db/queries/audit'
import { csvFile, csvText } from '@/server/csv'
import { respondWith } from '@/server/respond'

const PAGE = 1000

/** The whole audit as CSV, newest first. */
export const GET = (): Promise<Response> =>
  respondWith('people', { action: 'exported', what: 'the audit' }, (scope) => {
    const encoder = new TextEncoder()
    let before: number | undefined
    let isFirst = true
    const stream = new ReadableStream<Uint8Array>({
      async pull(controller) {
        const entries = await listAudit(scope, { before, limit: PAGE })
        before = entries.at(-1)?.seq
        const rows = entries.map(({ at, personName, action, what, installationId, address }) => [
          at.toISOString(),
          personName,
          action,
          what,
          installationId ?? '',
          address,
        ])
        const heading = isFirst ? [['when', 'who', 'did', 'what', 'installation', 'from']] : []
        isFirst = false
        if (heading.length + rows.length > 0) controller.enqueue(encoder.encode(csvText([...heading, ...rows])))
        if (entries.length < PAGE) controller.close()
      },
    })
    return Promise.resolve(csvFile('audit.csv', stream))
  })
