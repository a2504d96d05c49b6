import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { listCheckResults } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { listRevisions } from '@/db/queries/revision'
import { InstallationFrame } from '@/features/frame/InstallationFrame'
import { isUuid } from '@/server/commands/input'
import { requireSigned } from '@/server/scope'

type Props = { params: Promise<{ id: string }>; children: ReactNode }

export async function generateMetadata({ params }: Omit<Props, 'children'>): Promise<Metadata> {
  const { id } = await params
  const { scope } = await requireSigned()
  const row = isUuid(id) ? await getInstallation(scope, id) : null
  return { title: row?.workingCopy.document.name ?? 'Not found' }
}

export default async function InstallationLayout({ params, children }: Props) {
  const { id } = await params
  const { scope, preference } = await requireSigned()
  const row = isUuid(id) ? await getInstallation(scope, id) : null
  if (!row) notFound()
  const [results, revisions] = await Promise.all([listCheckResults(scope, id), listRevisions(scope, id)])
  const [last] = revisions
  const { document, version, savedAt } = row.workingCopy
  return (
    <InstallationFrame
      id={id}
      siteName={row.siteName}
      document={document}
      version={version}
      savedAt={savedAt.toISOString()}
      preference={preference}
      results={results.map(({ check, given, verdict }) => ({ check, given, verdict }))}
      lastSeal={last ? { number: last.number, sealedAt: last.sealedAt.toISOString(), document: last.document } : null}
    >
      {children}
    </InstallationFrame>
  )
}
