'use client'

import Box from '@mui/material/Box'
import NoSsr from '@mui/material/NoSsr'
import type { ReactNode } from 'react'

/** Draws a page only where it is looked at. What is shown of an installation is worked out from its document, which the browser has to do in any case:
 *  done by the server as well it costs 50 to 150 ms of its event loop a page, and fifty people wait for each other. Pages that derive nothing are
 *  drawn by the server. */
export const InBrowser = ({ children }: { children: ReactNode }) => (
  <NoSsr
    fallback={
      <Box component="main" aria-busy="true" sx={{ minHeight: '100vh' }}>
        <noscript>Soft Gale works out its figures in the browser: switch JavaScript on for this address.</noscript>
      </Box>
    }
  >
    {children}
  </NoSsr>
)
