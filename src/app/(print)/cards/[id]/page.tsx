import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { listOfSite } from '@/db/queries/installation'
import { getSite } from '@/db/queries/site'
import { CardSheet } from '@/features/record/CardSheet'
import { mayDraw } from '@/server/drawing'
import { sealedFor } from '@/server/papers'
import { writeAudit } from '@/server/respond'
import { requireSignedAt, type AtInstallation } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Cards of a site' }

/** The cards of everything on one site, of what was sealed last, one a page. */
export default async function CardsOfSite(props: AtInstallation) {
  const who = await requireSignedAt(props)
  const { scope, preference, id } = who
  const site = (await getSite(scope, id)) ?? notFound()
  const rows = await listOfSite(scope, site.name)
  const sheets = await Promise.all(
    rows.map(async (row) => ({ id: row.id, sealed: await sealedFor(scope, row.id, null, preference) })),
  )
  await writeAudit(who, { action: 'printed', what: `cards of ${site.name}`, onceInMin: 60 })
  return (
    <InBrowser isDrawn={mayDraw()}>
      {sheets.map(({ id: of, sealed }) => sealed && <CardSheet key={of} sealed={sealed} as="section" />)}
    </InBrowser>
  )
}
