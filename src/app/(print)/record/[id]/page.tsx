import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { listCheckResults } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { listRevisions } from '@/db/queries/revision'
import { RecordSheet } from '@/features/record/RecordSheet'
import { requireSignedAt } from '@/server/scope'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Record' }

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ rev?: string }> }

/** The record of a sealed revision, or of the working copy, for paper. */
export default async function RecordPage({ params, searchParams }: Props) {
  const { scope, preference, id } = await requireSignedAt({ params })
  const { rev } = await searchParams
  const row = await getInstallation(scope, id)
  if (!row) notFound()
  const [revisions, results] = await Promise.all([listRevisions(scope, id), listCheckResults(scope, id)])
  const revision = rev === undefined ? null : (revisions.find(({ number }) => String(number) === rev) ?? notFound())
  return (
    <RecordSheet
      siteName={row.siteName}
      document={revision?.document ?? row.workingCopy.document}
      seal={
        revision && {
          number: revision.number,
          reason: revision.reason,
          sealedBy: revision.sealedBy,
          sealedAt: revision.sealedAt.toISOString(),
        }
      }
      results={results.map(({ id: key, check, given, verdict, sentence, readBy, readAt }) => ({
        key,
        check,
        given,
        verdict,
        sentence,
        readBy,
        readAt: readAt.toISOString(),
      }))}
      preference={preference}
    />
  )
}
