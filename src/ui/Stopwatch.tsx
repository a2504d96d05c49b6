'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import { clockOfS } from '@/ui/clock'
import { useDraft } from '@/ui/onSite/useDraft'

type Props = {
  /** It counts how long the reading has been held steady. */
  steadyS?: number
  /** Where it lies while the page is away; without it, it ends with the page. */
  draftKey?: string
  onStart?: () => void
  onStop?: (timeS: number) => void
}

/** A stopwatch. It goes by the clock, so that it runs on while another check is looked at. */
export function Stopwatch({ steadyS, draftKey, onStart, onStop }: Props) {
  const [startedAtMs, setStartedAtMs] = useDraft<number | null>(draftKey ?? null, null)
  const [shownS, setShownS] = useState(0)
  useEffect(() => {
    if (startedAtMs === null) return
    const timer = setInterval(() => setShownS(Math.max(0, (Date.now() - startedAtMs) / 1000)), 200)
    return () => clearInterval(timer)
  }, [startedAtMs])

  function press(): void {
    if (startedAtMs === null) {
      setShownS(0)
      setStartedAtMs(Date.now())
      onStart?.()
    } else {
      const timeS = Number(((Date.now() - startedAtMs) / 1000).toFixed(1))
      setShownS(timeS)
      setStartedAtMs(null)
      onStop?.(timeS)
    }
  }

  return (
    <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', my: 1 }}>
      <Button variant="outlined" onClick={press} sx={{ minHeight: { xs: 56, sm: 36 } }}>
        {startedAtMs === null ? (steadyS === undefined ? 'Start the stopwatch' : 'Start settling') : 'Stop'}
      </Button>
      <Typography
        variant="figure"
        role="timer"
        sx={{
          fontSize: { xs: '2.5rem', sm: '1.5rem' },
          lineHeight: 1.1,
          color: steadyS !== undefined && shownS >= steadyS ? 'success.main' : 'text.primary',
        }}
      >
        {clockOfS(shownS)}
        {steadyS !== undefined && ` / ${clockOfS(steadyS)}`}
      </Typography>
    </Box>
  )
}
