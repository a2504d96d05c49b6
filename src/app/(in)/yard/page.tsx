import type { Metadata } from 'next'
import { listSetAside, listYard } from '@/db/queries/installation'
import { listSites } from '@/db/queries/site'
import { workspaceName } from '@/db/queries/workspace'
import { NewInstallation } from '@/features/yard/NewInstallation'
import { Yard } from '@/features/yard/Yard'
import { yardRow } from '@/features/yard/yardLine'
import { importInstallationAction, makeInstallationAction } from '@/server/actions'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Yard' }

export default async function YardPage({ searchParams }: { searchParams: Promise<{ new?: string }> }) {
  const { scope, preference } = await requireSigned()
  const [rows, sites, name, aside] = await Promise.all([
    listYard(scope),
    listSites(scope),
    workspaceName(scope),
    listSetAside(scope),
  ])
  const isNew = (await searchParams).new !== undefined
  return (
    <Yard
      name={name}
      rows={rows.map((row) => yardRow(row, preference))}
      setAside={aside.map(({ id, name: called }) => ({ id, name: called }))}
      newInstallation={
        <NewInstallation
          key={String(isNew)}
          startsOpen={isNew}
          sites={sites.map((site) => site.name)}
          onMake={makeInstallationAction}
          onImport={importInstallationAction}
        />
      }
    />
  )
}
