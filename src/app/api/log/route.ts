import { namesOf } from '@/db/queries/installationLine'
import { listLog } from '@/db/queries/log'
import { pagedCsv } from '@/server/csv'
import { readLogQuery } from '@/server/listQuery'
import { respondWith } from '@/server/respond'

const PAGE = 1000
const HEADING = ['when', 'who', 'kind', 'installation', 'text', 'id', 'puts right']

/** The log as CSV, newest first, as far as the address asks for it. */
export const GET = (request: Request): Promise<Response> =>
  respondWith('look', { action: 'exported', what: 'the log' }, (scope) => {
    const ask = readLogQuery(Object.fromEntries(new URL(request.url).searchParams))
    return Promise.resolve(
      pagedCsv('log.csv', HEADING, async (before) => {
        const entries = await listLog(scope, { ...ask, before }, PAGE)
        const names = await namesOf(
          scope,
          entries.flatMap(({ installationId }) => installationId ?? []),
        )
        return {
          rows: entries.map(({ id, text, kind, writtenBy, writtenAt, installationId, corrects }) => [
            writtenAt.toISOString(),
            writtenBy,
            kind,
            installationId === null ? '' : (names.get(installationId) ?? installationId),
            text,
            id,
            corrects ?? '',
          ]),
          before: entries.length < PAGE ? null : (entries.at(-1)?.seq ?? null),
        }
      }),
    )
  })
