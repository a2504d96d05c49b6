import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { atSite } from '@/core/quantity/format'
import { getInstallation } from '@/db/queries/installation'
import { getSealed } from '@/db/queries/revision'
import { RecordSheet } from '@/features/record/RecordSheet'
import { Fault } from '@/ui/Fault'
import { mayDraw } from '@/server/drawing'
import { shownResults, shownRevisions } from '@/server/pack'
import { revisionAsked } from '@/server/papers'
import { writeAudit } from '@/server/respond'
import { requireSignedAt } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Record' }

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ rev?: string }> }

/** The record of a sealed revision (the last one where none is named), or of the working copy, for paper. */
export default async function RecordPage({ params, searchParams }: Props) {
  const who = await requireSignedAt({ params })
  const { scope, preference, id } = who
  const { rev } = await searchParams
  const row = await getInstallation(scope, id)
  if (!row) notFound()
  await writeAudit(who, { action: 'printed', what: `record ${rev ?? ''}`, installationId: id, onceInMin: 60 })
  const [revisions, results] = await Promise.all([shownRevisions(scope, id), shownResults(scope, id)])
  // A record is of what was sealed; the working copy is printed only when it is asked for by name.
  const revision = revisionAsked(revisions, rev ?? null)
  if (revision === undefined) notFound()
  const document = revision
    ? await getSealed(scope, id, revision.number)
    : row.kind === 'open'
      ? row.workingCopy.document
      : null
  if (!document)
    return (
      <Fault title="This record cannot be made">
        What is stored for it cannot be opened by this program. Nothing of it is lost: open the installation, where it
        can be exported as text.
      </Fault>
    )
  return (
    <InBrowser isDrawn={mayDraw()}>
      <RecordSheet
        siteName={row.siteName}
        document={document}
        seal={revision}
        results={results}
        preference={atSite(preference, row.siteZone)}
      />
    </InBrowser>
  )
}
