'use client'

import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import { useSyncExternalStore } from 'react'
import { createPortal } from 'react-dom'
import { formatClock } from '@/ui/clock'
import { useWorkingCopy } from '@/ui/workingCopy/context'

const never = () => () => undefined

/** In the top bar: when the last change was kept, or why it is not yet. */
export function KeptState() {
  const standing = useWorkingCopy((state) => state.standing)
  const retry = useWorkingCopy((state) => state.retry)
  const slot = useSyncExternalStore(
    never,
    () => document.getElementById('standing'),
    () => null,
  )
  if (!slot) return null
  const wording = {
    kept: () => (
      <span style={{ color: '#A5D6B4' }}>
        ● kept
        <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
          {' '}
          {standing.kind === 'kept' ? formatClock(standing.savedAt) : ''}
        </Box>
      </span>
    ),
    keeping: () => <span>○ keeping…</span>,
    waiting: () => (
      <ButtonBase onClick={retry} sx={{ color: '#F2C078', font: 'inherit' }}>
        ▲ not sent yet, kept in this browser
      </ButtonBase>
    ),
    contradicts: () => <span style={{ color: '#F2C078' }}>▲ kept in this browser until it is mended</span>,
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
