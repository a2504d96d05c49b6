'use client'

import CssBaseline from '@mui/material/CssBaseline'
import { ThemeProvider } from '@mui/material/styles'
import { SnackbarProvider } from 'notistack'
import type { ReactNode } from 'react'
import { theme } from '@/ui/theme'

/** Theme, base styles and messages for the whole application. */
export function Providers({ children }: { children: ReactNode }) {
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline />
      <SnackbarProvider maxSnack={3} autoHideDuration={6000}>
        {children}
      </SnackbarProvider>
    </ThemeProvider>
  )
}
