import type { Metadata } from 'next'
import { namesOf } from '@/db/queries/installationLine'
import { listLog, LOG_PAGE } from '@/db/queries/log'
import { LogPage } from '@/features/log/LogPage'
import { readListQuery, type ListQuery } from '@/server/listQuery'
import { requireSigned } from '@/server/scope'
import { stagePath } from '@/ui/stages'
import { InBrowser } from '@/ui/InBrowser'

export const metadata: Metadata = { title: 'Log' }

export default async function Log({ searchParams }: { searchParams: Promise<ListQuery> }) {
  const [{ scope }, query] = await Promise.all([requireSigned(), searchParams])
  const { holds, before } = readListQuery(query)
  const entries = await listLog(scope, { holds, before })
  const names = await namesOf(
    scope,
    entries.flatMap(({ installationId }) => installationId ?? []),
  )
  return (
    <InBrowser>
      <LogPage
        holds={holds}
        older={entries.length === LOG_PAGE ? (entries.at(-1)?.seq ?? null) : null}
        entries={entries.map(({ id, text, writtenBy, writtenAt, installationId }) => {
          const name = installationId === null ? undefined : names.get(installationId)
          return {
            id,
            text,
            writtenBy,
            writtenAt: writtenAt.toISOString(),
            of: name && installationId ? { name, path: stagePath(installationId, 'hand-over') } : undefined,
          }
        })}
      />
    </InBrowser>
  )
}
