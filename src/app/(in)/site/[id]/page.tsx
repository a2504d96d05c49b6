import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { listOfSite } from '@/db/queries/installation'
import { getSite } from '@/db/queries/site'
import { SitePage } from '@/features/site/SitePage'
import { keepSiteAction } from '@/server/actions'
import { may } from '@/server/rights'
import { requireSignedAt, type AtInstallation } from '@/server/scope'

export const metadata: Metadata = { title: 'Site' }

/** One site: where it is, who lets one in, what stands there. */
export default async function Site(props: AtInstallation) {
  const { scope, role, id } = await requireSignedAt(props)
  const site = (await getSite(scope, id)) ?? notFound()
  const rows = await listOfSite(scope, site.name)
  return (
    <SitePage
      site={site}
      installations={rows.map((row) => ({
        id: row.id,
        name: row.kind === 'open' ? row.workingCopy.document.name : row.name,
      }))}
      onKeep={may(role, 'work') ? keepSiteAction : null}
    />
  )
}
