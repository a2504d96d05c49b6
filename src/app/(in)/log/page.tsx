import type { Metadata } from 'next'
import { namesOf } from '@/db/queries/installationLine'
import { listLog, LOG_PAGE, logWriters } from '@/db/queries/log'
import { listSites } from '@/db/queries/site'
import { LogPage } from '@/features/log/LogPage'
import { shownPhotos } from '@/server/pack'
import { readLogQuery, type LogQuery } from '@/server/listQuery'
import { requireSigned } from '@/server/scope'
import { stagePath } from '@/ui/stages'

export const metadata: Metadata = { title: 'Log' }

export default async function Log({ searchParams }: { searchParams: Promise<LogQuery> }) {
  const [{ scope }, query] = await Promise.all([requireSigned(), searchParams])
  const ask = readLogQuery(query)
  const [entries, writers, sites, photos] = await Promise.all([
    listLog(scope, ask),
    logWriters(scope),
    listSites(scope),
    ask.installationId === undefined ? [] : shownPhotos(scope, ask.installationId),
  ])
  const names = await namesOf(scope, [
    ...entries.flatMap(({ installationId }) => installationId ?? []),
    ...(ask.installationId === undefined ? [] : [ask.installationId]),
  ])
  return (
    <LogPage
      filter={{
        holds: ask.holds ?? '',
        kind: ask.kind ?? '',
        by: ask.by ?? '',
        site: ask.siteId ?? '',
        of: ask.installationId ?? '',
        from: ask.fromDay ?? '',
        to: ask.toDay ?? '',
      }}
      ofName={ask.installationId === undefined ? null : (names.get(ask.installationId) ?? null)}
      isNewest={ask.before === undefined}
      photos={photos}
      writers={writers}
      sites={sites}
      older={entries.length === LOG_PAGE ? (entries.at(-1)?.seq ?? null) : null}
      entries={entries.map(({ id, text, writtenBy, writtenAt, installationId, corrects }) => {
        const name = installationId === null ? undefined : names.get(installationId)
        return {
          id,
          text,
          corrects,
          writtenBy,
          writtenAt: writtenAt.toISOString(),
          of: name && installationId ? { name, path: stagePath(installationId, 'hand-over') } : undefined,
        }
      })}
    />
  )
}
