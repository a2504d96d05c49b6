import type { Metadata } from 'next'
import { OfflineShell } from '@/app/offline/OfflineShell'
import { InBrowser } from '@/ui/InBrowser'

export const metadata: Metadata = { title: 'Without signal' }

/** The page a browser shows in the place of any other while the server cannot be reached. */
export default function Offline() {
  return (
    <InBrowser>
      <OfflineShell />
    </InBrowser>
  )
}
