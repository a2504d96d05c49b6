import type { Metadata } from 'next'
import { findInstallations } from '@/db/queries/installationLine'
import { SumsPage } from '@/features/sums/SumsPage'
import { requireSigned } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

export const metadata: Metadata = { title: 'Sums' }

export default async function Sums({ searchParams }: { searchParams: Promise<Record<string, string | undefined>> }) {
  const [{ scope, preference }, query] = await Promise.all([requireSigned(), searchParams])
  const installations = await findInstallations(scope, '', 200)
  return (
    <InBrowser>
      <SumsPage query={query} installations={installations} preference={preference} />
    </InBrowser>
  )
}
