import type { Metadata } from 'next'
import { listYard } from '@/db/queries/installation'
import { listSites } from '@/db/queries/site'
import { workspaceName } from '@/db/queries/workspace'
import { NewInstallation } from '@/features/yard/NewInstallation'
import { Yard } from '@/features/yard/Yard'
import { yardLine } from '@/features/yard/yardLine'
import { importInstallationAction, makeInstallationAction } from '@/server/actions'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Yard' }

export default async function YardPage({ searchParams }: { searchParams: Promise<{ new?: string }> }) {
  const { scope, preference } = await requireSigned()
  const [rows, sites, name] = await Promise.all([listYard(scope), listSites(scope), workspaceName(scope)])
  const isNew = (await searchParams).new !== undefined
  return (
    <Yard
      name={name}
      lines={rows.map((row) => yardLine(row, preference))}
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
