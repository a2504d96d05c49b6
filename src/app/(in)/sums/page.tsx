import type { Metadata } from 'next'
import { findInstallations } from '@/db/queries/installationLine'
import { CalculationsPage } from '@/features/calculations/CalculationsPage'
import { mayDraw } from '@/server/drawing'
import { requireSigned } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

export const metadata: Metadata = { title: 'Calculations' }

export default async function Calculations({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | undefined>>
}) {
  const [{ scope, preference }, query] = await Promise.all([requireSigned(), searchParams])
  const installations = await findInstallations(scope, '', 200)
  return (
    <InBrowser isDrawn={mayDraw()}>
      <CalculationsPage query={query} installations={installations} preference={preference} />
    </InBrowser>
  )
}
