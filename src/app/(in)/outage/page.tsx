import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { byDanger, outageItems } from '@/core/record/afterOutage'
import type { Scope } from '@/db/client'
import { getInstallation, listOfSite, type AnyRow } from '@/db/queries/installation'
import { getSealed, listSeals } from '@/db/queries/revision'
import { OutageOnSite } from '@/features/outage/OutageOnSite'
import { isUuid } from '@/server/commands/input'
import { mayDraw } from '@/server/drawing'
import { may } from '@/server/rights'
import { requireSigned } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

export const metadata: Metadata = { title: 'After an outage' }

type Props = { searchParams: Promise<{ site?: string; only?: string }> }
type Basis = { readonly document: Installation; readonly sealNumber: number | null }

/** What stands at the site is what was sealed last; where nothing was, or it cannot be opened, the working copy. */
async function basisOf(scope: Scope, row: AnyRow): Promise<Basis | null> {
  const [seal] = await listSeals(scope, row.id)
  const sealed = seal ? await getSealed(scope, row.id, seal.number) : null
  if (seal && sealed) return { document: sealed, sealNumber: seal.number }
  return row.kind === 'open' ? { document: row.workingCopy.document, sealNumber: null } : null
}

async function rowsOf(scope: Scope, site: string | undefined, only: string | undefined): Promise<AnyRow[]> {
  if (site !== undefined) return listOfSite(scope, site)
  const row = only !== undefined && isUuid(only) ? await getInstallation(scope, only) : null
  return row ? [row] : []
}

/** The after-outage sheet of a site, or of one installation of it: the gravest first. */
export default async function Outage({ searchParams }: Props) {
  const { site, only } = await searchParams
  const { scope, role, preference } = await requireSigned()
  const rows = await rowsOf(scope, site, only)
  const [first] = rows
  if (!first) notFound()
  const found = await Promise.all(rows.map(async (row) => ({ row, basis: await basisOf(scope, row) })))
  const readable = found
    .flatMap(({ row: { id }, basis }) => (basis ? [{ id, ...basis }] : []))
    .sort((a, b) => byDanger(a.document.brief.duty, b.document.brief.duty))
  const unreadable = found.flatMap(({ row, basis }) => (basis || row.kind === 'open' ? [] : [row.name]))
  return (
    <InBrowser isDrawn={mayDraw()}>
      <OutageOnSite
        site={first.siteName}
        unreadable={unreadable}
        installations={readable.map(({ id, document, sealNumber }) => ({
          id,
          name: document.name,
          duty: document.brief.duty,
          sealNumber,
          items: outageItems(document, derive(document), preference),
        }))}
        mayWork={may(role, 'work')}
      />
    </InBrowser>
  )
}
