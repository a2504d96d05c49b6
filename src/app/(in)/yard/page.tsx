import type { Metadata } from 'next'
import { overviewMadeBy } from '@/core/record/overview'
import type { Scope } from '@/db/client'
import { listSetAside } from '@/db/queries/installation'
import { listYard, YARD_PAGE, type YardPage as YardPageRows } from '@/db/queries/installationLine'
import { listEmptySites, listSites } from '@/db/queries/site'
import { workspaceName } from '@/db/queries/workspace'
import { NewInstallation } from '@/features/yard/NewInstallation'
import { Yard } from '@/features/yard/Yard'
import { yardLine } from '@/features/yard/yardLine'
import { importInstallationAction, makeInstallationAction } from '@/server/actions'
import { readListQuery } from '@/server/listQuery'
import { utcToday } from '@/server/utcToday'
import { refreshLines } from '@/server/refreshLines'
import { may } from '@/server/rights'
import { requireSigned } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

export const metadata: Metadata = { title: 'Yard' }

type Query = { new?: string; holds?: string; page?: string }

/** A page of the yard whose lines are of now; those of other pages are derived by the job. */
async function yardOfNow(scope: Scope, ask: { holds: string; offset: number }): Promise<YardPageRows> {
  const list = () => listYard(scope, { ...ask, madeBy: overviewMadeBy(utcToday()) })
  const yard = await list()
  if (yard.stale.length === 0) return yard
  await refreshLines(scope, yard.stale.length, yard.stale)
  return list()
}

export default async function YardPage({ searchParams }: { searchParams: Promise<Query> }) {
  const [{ scope, role, preference }, query] = await Promise.all([requireSigned(), searchParams])
  const { holds } = readListQuery(query)
  const page = Math.max(1, Math.floor(Number(query.page ?? 1)) || 1)
  const [yard, sites, emptySites, name, aside] = await Promise.all([
    yardOfNow(scope, { holds, offset: (Math.min(page, 10_000) - 1) * YARD_PAGE }),
    listSites(scope),
    listEmptySites(scope),
    workspaceName(scope),
    listSetAside(scope, 20),
  ])
  const isNew = query.new !== undefined
  const line = (row: (typeof yard.rows)[number]) => yardLine(row, preference)
  return (
    <InBrowser>
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
        asked={{ holds, page, pages: Math.max(1, Math.ceil(yard.count / YARD_PAGE)), count: yard.count }}
        mayArchive={may(role, 'archive')}
        newInstallation={
          may(role, 'work') && (
            <NewInstallation
              key={String(isNew)}
              startsOpen={isNew}
              sites={sites.map((site) => site.name)}
              onMake={makeInstallationAction}
              onImport={importInstallationAction}
            />
          )
        }
      />
    </InBrowser>
  )
}
