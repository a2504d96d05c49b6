'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import type { ReactNode } from 'react'

/** A page that is not there: what happened, what was kept, what to do. */
export function Fault({ title, onAgain, children }: { title: string; onAgain?: () => void; children: ReactNode }) {
  return (
    <Box component="main" sx={{ bgcolor: 'ground.sheet', minHeight: '100vh', p: 4 }}>
      <Typography variant="h1">{title}</Typography>
      <Typography sx={{ maxWidth: 560, my: 1.5 }}>{children}</Typography>
      <Box sx={{ display: 'flex', gap: 1.5 }}>
        {onAgain && (
          <Button variant="contained" onClick={onAgain}>
            Try again
          </Button>
        )}
        <Button variant="outlined" component={Link} href="/yard">
          To the yard
        </Button>
      </Box>
    </Box>
  )
}
