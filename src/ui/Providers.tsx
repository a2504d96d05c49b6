'use client'

import CssBaseline from '@mui/material/CssBaseline'
import { ThemeProvider } from '@mui/material/styles'
import { SnackbarProvider } from 'notistack'
import { useLayoutEffect, type ReactNode } from 'react'
import { doEarlyTouches } from '@/ui/earlyTouches'
import { theme } from '@/ui/theme'

/** Theme, base styles and messages for the whole application. */
export function Providers({ children }: { children: ReactNode }) {
  // What stands inside answers from here on.
  useLayoutEffect(doEarlyTouches, [])
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline />
      <SnackbarProvider maxSnack={3} autoHideDuration={6000}>
        {children}
      </SnackbarProvider>
    </ThemeProvider>
  )
}
