'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useLiveQuery } from 'dexie-react-hooks'
import { usePathname } from 'next/navigation'
import type { ReactNode } from 'react'
import { AlongList } from '@/app/offline/AlongList'
import { StageThere } from '@/app/offline/StageThere'
import { CalculationsPage } from '@/features/calculations/CalculationsPage'
import { METRIC } from '@/core/quantity/format'
import { browserStore } from '@/ui/onSite/browserStore'
import { OnSite } from '@/ui/onSite/OnSite'
import type { Pack } from '@/ui/onSite/pack'
import { WhoProvider } from '@/ui/onSite/who'
import { PlacesRoom, TopBar } from '@/ui/TopBar'

/** Any page, drawn from what was taken along: what is edited here is there, and what is done here goes when there is signal. */
export function OfflineShell() {
  const packs = useLiveQuery(() => browserStore()?.packs.toArray() ?? [])
  if (!packs) return null
  const [first] = packs
  return (
    <>
      <TopBar />
      <Typography
        role="status"
        variant="body2"
        sx={{ bgcolor: 'ground.side', color: 'ground.warnInk', px: 2, py: 0.5, displayPrint: 'none' }}
      >
        No signal: this is what was taken along. What you do is kept on this device and goes by itself.
      </Typography>
      {first ? (
        <OnSite personId={first.personId} workspaceId={first.workspaceId} onKept={() => undefined}>
          <Place packs={packs} />
        </OnSite>
      ) : (
        <Nothing>
          Nothing was taken along on this device. With signal, open an installation, or take a whole site along in the
          yard; it is then here too.
        </Nothing>
      )}
      <PlacesRoom />
    </>
  )
}

/** What the address asks for. */
function Place({ packs }: { packs: readonly Pack[] }) {
  const path = usePathname()
  const [, place = '', id = '', stage = 'respond'] = path.split('/')
  const pack = packs.find((one) => one.id === id)
  if (pack && ['installation', 'record', 'card'].includes(place)) {
    const asked = place === 'installation' ? stage : place
    // Another installation is another working copy.
    return (
      <WhoProvider value={{ personId: pack.personId, workspaceId: pack.workspaceId }}>
        <StageThere key={pack.id} pack={pack} stage={asked} />
      </WhoProvider>
    )
  }
  if (place === 'sums')
    return (
      <CalculationsPage
        query={Object.fromEntries(new URLSearchParams(window.location.search))}
        installations={packs.map((one) => ({ id: one.id, name: one.document.name }))}
        preference={packs[0]?.preference ?? METRIC}
      />
    )
  return (
    <AlongList
      packs={packs}
      missed={['installation', 'record', 'card'].includes(place) ? 'This installation was not taken along.' : null}
    />
  )
}

const Nothing = ({ children }: { children: ReactNode }) => (
  <Box component="main" sx={{ bgcolor: 'ground.sheet', minHeight: '80vh', px: 2.5, py: 2, maxWidth: 720 }}>
    <Typography variant="h1">Without signal</Typography>
    <Typography sx={{ mt: 1 }}>{children}</Typography>
  </Box>
)
