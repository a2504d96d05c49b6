'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'

const two = (x: number) => String(x).padStart(2, '0')
const clock = (s: number) => `${two(Math.floor(s / 60))}:${two(Math.floor(s % 60))}`

/** A stopwatch; with `steadyS` it counts how long the reading has been held steady. */
export function Stopwatch({ steadyS, onStop }: { steadyS?: number; onStop?: (timeS: number) => void }) {
  const [startedAt, setStartedAt] = useState<number | null>(null)
  const [shownS, setShownS] = useState(0)
  useEffect(() => {
    if (startedAt === null) return
    const timer = setInterval(() => setShownS((performance.now() - startedAt) / 1000), 200)
    return () => clearInterval(timer)
  }, [startedAt])

  function press(): void {
    if (startedAt === null) {
      setShownS(0)
      setStartedAt(performance.now())
    } else {
      const timeS = Number(((performance.now() - startedAt) / 1000).toFixed(1))
      setShownS(timeS)
      setStartedAt(null)
      onStop?.(timeS)
    }
  }

  return (
    <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', my: 1 }}>
      <Button variant="outlined" onClick={press} sx={{ minHeight: { xs: 56, sm: 36 } }}>
        {startedAt === null ? (steadyS === undefined ? 'Start the stopwatch' : 'Steady now') : 'Stop'}
      </Button>
      <Typography
        variant="figure"
        role="timer"
        sx={{
          fontSize: '1.25rem',
          color: steadyS !== undefined && shownS >= steadyS ? 'success.main' : 'text.primary',
        }}
      >
        {clock(shownS)}
        {steadyS !== undefined && ` / ${clock(steadyS)}`}
      </Typography>
    </Box>
  )
}
