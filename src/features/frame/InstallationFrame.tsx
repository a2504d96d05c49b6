'use client'

import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import type { Installation } from '@/core/installation/installation'
import type { UnitPreference } from '@/core/quantity/format'
import { FrameHeader } from '@/features/frame/FrameHeader'
import { FrameKeys } from '@/features/frame/FrameKeys'
import { KeptState } from '@/features/frame/KeptState'
import { MarkedNotice } from '@/ui/MarkedNotice'
import { StandingNotice } from '@/features/frame/StandingNotice'
import { Presence } from '@/features/frame/Presence'
import type { LocalRule } from '@/core/record/localRule'
import { LocalRulesProvider } from '@/ui/localRules'
import type { ReadVerdict } from '@/core/record/stillOpen'
import { useResults } from '@/ui/onSite/useResults'
import type { SealSummary } from '@/features/frame/standings'
import { TakesAlong } from '@/features/frame/TakesAlong'
import { Track } from '@/features/frame/Track'
import { TryItValues } from '@/ui/TryItValues'
import { OpenThingsProvider } from '@/ui/openThings'
import { useChanges, WorkingCopyProvider } from '@/ui/workingCopy/context'

type Props = {
  id: string
  siteName: string
  document: Installation
  version: number
  savedAt: string
  preference: UnitPreference
  results: readonly (ReadVerdict & { readonly id: string })[]
  lastSeal: (Omit<SealSummary, 'isCurrent'> & { document: Installation }) | null
  localRules: readonly LocalRule[]
  children: ReactNode
}

/** Everything that stands around a stage: header with the rail, the track, and the working copy they share. */
export function InstallationFrame({ id, siteName, results: kept, lastSeal, localRules, children, ...copy }: Props) {
  const results = useResults(id, kept)
  return (
    <WorkingCopyProvider id={id} sealed={lastSeal?.document ?? null} {...copy}>
      <TryItValues>
        <WithOpenThings id={id} results={results} lastNumber={lastSeal?.number ?? 0}>
          <KeptState />
          <TakesAlong id={id} />
          <FrameKeys id={id} />
          <FrameHeader siteName={siteName} lastSeal={lastSeal} />
          <Presence id={id} />
          <StandingNotice />
          <MarkedNotice />
          <Box sx={{ display: 'flex', flexDirection: { xs: 'column', md: 'row' }, minHeight: 'calc(100vh - 145px)' }}>
            <Track id={id} lastSeal={lastSeal} />
            <LocalRulesProvider value={localRules}>{children}</LocalRulesProvider>
          </Box>
        </WithOpenThings>
      </TryItValues>
    </WorkingCopyProvider>
  )
}

type OpenProps = { id: string; results: readonly ReadVerdict[]; lastNumber: number; children: ReactNode }

/** What is open, for the track, the way on and the gate. */
const WithOpenThings = ({ id, results, lastNumber, children }: OpenProps) => (
  <OpenThingsProvider installationId={id} results={results} nextRevision={lastNumber + 1} isSealed={useChanges() === 0}>
    {children}
  </OpenThingsProvider>
)
