'use client'

import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import type { ReactNode } from 'react'
import { createPortal } from 'react-dom'
import { useBarSlot } from '@/ui/barSlot'
import { Moment } from '@/ui/Moment'
import { useWorkingCopy } from '@/ui/workingCopy/context'

/** Left out on a phone, where the bar is narrow and the notice below says it whole. */
const Detail = ({ children }: { children: ReactNode }) => (
  <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
    {children}
  </Box>
)

/** In the top bar: when the last change was kept, or why it is not yet. */
export function KeptState() {
  const standing = useWorkingCopy((state) => state.standing)
  const retry = useWorkingCopy((state) => state.retry)
  const slot = useBarSlot()
  if (!slot) return null
  const wording = {
    kept: () => (
      <span style={{ color: '#A5D6B4' }}>
        ● kept
        <Detail> {standing.kind === 'kept' && <Moment at={standing.savedAt} as="clock" />}</Detail>
      </span>
    ),
    keeping: () => <span>○ keeping…</span>,
    waiting: () => (
      <ButtonBase onClick={retry} sx={{ color: '#F2C078', font: 'inherit' }}>
        <span>
          ▲ not sent yet<Detail>, kept in this browser</Detail>
        </span>
      </ButtonBase>
    ),
    contradicts: () => (
      <span style={{ color: '#F2C078' }}>
        ▲ to be mended<Detail>; kept in this browser until then</Detail>
      </span>
    ),
    forbidden: () => <span style={{ color: '#F2C078' }}>▲ only looked at</span>,
    behind: () => <span style={{ color: '#FF9A9F' }}>▲ behind</span>,
  }[standing.kind]()
  return createPortal(
    <span role="status" aria-live="polite">
      {wording}
    </span>,
    slot,
  )
}
