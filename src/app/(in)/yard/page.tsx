import type { Metadata } from 'next'
import { DUTIES } from '@/core/brief/duty'
import { listSetAside } from '@/db/queries/installation'
import { listEmptySites, listSites } from '@/db/queries/site'
import { workspaceName } from '@/db/queries/workspace'
import { NewInstallation } from '@/features/yard/NewInstallation'
import { Yard } from '@/features/yard/Yard'
import { yardLine } from '@/features/yard/yardLine'
import { importInstallationAction, makeInstallationAction } from '@/server/actions'
import { readYardQuery, type YardQuery } from '@/server/listQuery'
import { utcToday } from '@/server/utcToday'
import { yardOfNow } from '@/server/yardOfNow'
import { may } from '@/server/rights'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Yard' }

type Query = YardQuery & { new?: string }

export default async function YardPage({ searchParams }: { searchParams: Promise<Query> }) {
  const [{ scope, role, preference }, query] = await Promise.all([requireSigned(), searchParams])
  const ask = readYardQuery({ ...query, page: '1' }, utcToday())
  const [yard, sites, emptySites, name, aside] = await Promise.all([
    yardOfNow(scope, ask),
    listSites(scope),
    listEmptySites(scope),
    workspaceName(scope),
    listSetAside(scope, 20),
  ])
  const isNew = query.new !== undefined
  const line = (row: (typeof yard.rows)[number]) => yardLine(row, preference)
  return (
    <Yard
      name={name}
      rows={yard.rows.map(line)}
      needing={yard.needing.map(line)}
      needingCount={yard.needingCount}
      lastSealed={yard.lastSealed.map(({ id, name: called, sealed }) => ({
        id,
        name: called,
        number: sealed?.number ?? 0,
        at: sealed?.sealedAt.toISOString() ?? '',
      }))}
      setAside={aside.map(({ id, name: called, goneAt }) => ({
        id,
        name: called,
        goneAt: goneAt?.toISOString() ?? null,
      }))}
      emptySites={emptySites}
      asked={{
        ...{ count: yard.count, sort: ask.sort ?? 'site' },
        ...{ holds: ask.holds ?? '', site: ask.siteId ?? '', duty: ask.duty ?? '', standing: ask.standing ?? '' },
        due: ask.dueBy === undefined ? '' : (query.due ?? ''),
      }}
      sites={sites}
      mayArchive={may(role, 'archive')}
      newInstallation={
        may(role, 'work') && (
          <NewInstallation
            key={String(isNew)}
            startsOpen={isNew}
            startsWith={DUTIES.find((duty) => duty === query.new)}
            sites={sites.map((site) => site.name)}
            onMake={makeInstallationAction}
            onImport={importInstallationAction}
          />
        )
      }
    />
  )
}
