import { listAudit } from '@/db/queries/audit'
import { pagedCsv } from '@/server/csv'
import { respondWith } from '@/server/respond'

const PAGE = 1000
const HEADING = ['when', 'who', 'did', 'what', 'installation', 'from']

/** The whole audit as CSV, newest first. */
export const GET = (): Promise<Response> =>
  respondWith('people', { action: 'exported', what: 'the audit' }, (scope) =>
    Promise.resolve(
      pagedCsv('audit.csv', HEADING, async (before) => {
        const entries = await listAudit(scope, { before, limit: PAGE })
        return {
          rows: entries.map(({ at, personName, action, what, installationId, address }) => [
            at.toISOString(),
            personName,
            action,
            what,
            installationId ?? '',
            address,
          ]),
          before: entries.length < PAGE ? null : (entries.at(-1)?.seq ?? null),
        }
      }),
    ),
  )
