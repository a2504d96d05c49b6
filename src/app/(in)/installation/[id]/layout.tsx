import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { cache, type ReactNode } from 'react'
import { atSite } from '@/core/quantity/format'
import { canonicalJson } from '@/core/json/canonical'
import { listCheckResults } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { getSealed, listSeals } from '@/db/queries/revision'
import { localRulesOf } from '@/db/queries/workspace'
import { InstallationFrame } from '@/features/frame/InstallationFrame'
import { Unreadable } from '@/features/unreadable/Unreadable'
import { mayDraw } from '@/server/drawing'
import { writeAudit } from '@/server/respond'
import { requireSignedAt } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

/** Title and page ask for the same installation: one query a request. */
const installationOnce = cache(getInstallation)

type Props = { params: Promise<{ id: string }>; children: ReactNode }

export async function generateMetadata({ params }: Omit<Props, 'children'>): Promise<Metadata> {
  const { scope, id } = await requireSignedAt({ params })
  const row = await installationOnce(scope, id)
  return { title: row ? (row.kind === 'open' ? row.workingCopy.document.name : row.name) : 'Not found' }
}

export default async function InstallationLayout({ params, children }: Props) {
  const who = await requireSignedAt({ params })
  const { scope, preference, id } = who
  const row = await installationOnce(scope, id)
  if (!row) notFound()
  await writeAudit(who, {
    action: 'looked at',
    what: row.kind === 'open' ? row.workingCopy.document.name : row.name,
    installationId: id,
    onceInMin: 60,
  })
  if (row.kind === 'unreadable')
    return (
      <Unreadable
        id={id}
        name={row.name}
        siteName={row.siteName}
        version={row.version}
        text={canonicalJson(row.data)}
        problems={row.problems}
      />
    )
  const [results, [last], localRules] = await Promise.all([
    listCheckResults(scope, id),
    listSeals(scope, id),
    localRulesOf(scope),
  ])
  const sealed = last ? await getSealed(scope, id, last.number) : null
  const { document, version, savedAt } = row.workingCopy
  return (
    <InBrowser isDrawn={mayDraw()}>
      <InstallationFrame
        id={id}
        siteName={row.siteName}
        document={document}
        version={version}
        savedAt={savedAt.toISOString()}
        preference={atSite(preference, row.siteZone)}
        localRules={localRules}
        results={results.map(({ id: resultId, check, given, verdict }) => ({ id: resultId, check, given, verdict }))}
        lastSeal={
          last && sealed ? { number: last.number, sealedAt: last.sealedAt.toISOString(), document: sealed } : null
        }
      >
        {children}
      </InstallationFrame>
    </InBrowser>
  )
}
