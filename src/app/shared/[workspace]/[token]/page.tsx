import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { atSite, METRIC } from '@/core/quantity/format'
import { addAudit } from '@/db/queries/audit'
import { getInstallation } from '@/db/queries/installation'
import { getSealed } from '@/db/queries/revision'
import { openShareLink } from '@/db/queries/shareLink'
import { RecordSheet } from '@/features/record/RecordSheet'
import { ADDRESS_HEADER } from '@/server/address'
import { isUuid } from '@/server/commands/input'
import { mayDraw } from '@/server/drawing'
import { hashOf } from '@/server/invitation'
import { countTry } from '@/server/limits'
import { shownResults, shownRevisions } from '@/server/pack'
import { Fault } from '@/ui/Fault'
import { InBrowser } from '@/ui/InBrowser'

export const dynamic = 'force-dynamic'
// A link is for whom it was given to: no search engine keeps it, and no page it leads to learns of it.
export const metadata: Metadata = {
  title: 'A record, to read',
  robots: { index: false, follow: false },
  referrer: 'no-referrer',
}

const Gone = () => (
  <Fault title="This link does not open">
    It was ended, it has run out, or a sign of it is missing. Ask whoever gave it to you for a new one.
  </Fault>
)

/** The sealed record of one installation, for somebody without an account: to read, and nothing else. */
export default async function Shared({ params }: { params: Promise<{ workspace: string; token: string }> }) {
  const { workspace, token } = await params
  const address = (await headers()).get(ADDRESS_HEADER) ?? 'unknown'
  const isPatient = (await countTry('share:address', address)) === null
  const link = isPatient && isUuid(workspace) ? await openShareLink({ workspaceId: workspace }, hashOf(token)) : null
  if (!link) return <Gone />
  const { installationId: id, forWhom } = link
  // Whoever opens it is nobody here: it is written down as who it was made for.
  const scope = { workspaceId: workspace, personId: `link ${link.id}`, personName: `link for ${forWhom}` }
  await addAudit(scope, { action: 'read by link', what: '', installationId: id, address }, 60)
  const [row, [last], results] = await Promise.all([
    getInstallation(scope, id),
    shownRevisions(scope, id),
    shownResults(scope, id),
  ])
  const document = last && (await getSealed(scope, id, last.number))
  if (!row || !last || !document)
    return <Fault title="Nothing is sealed here yet">What is being worked on is not shown by a link.</Fault>
  return (
    <InBrowser isDrawn={mayDraw()}>
      <RecordSheet
        siteName={row.siteName}
        document={document}
        seal={last}
        results={results.filter(({ readAt }) => readAt <= last.sealedAt)}
        preference={atSite(METRIC, row.siteZone)}
      />
    </InBrowser>
  )
}
