'use client'

import Box from '@mui/material/Box'
import { useSyncExternalStore, type ReactNode } from 'react'
import { never } from '@/ui/useIsLive'

type Props = {
  /** The server has the time to draw it as well; see `server/drawing`. */
  isDrawn?: boolean
  children: ReactNode
}

/** A page that is worked out from its document, which the browser has to do in any case: drawn by the server where that has the time, and otherwise
 *  only where it is looked at. Pages that derive nothing are drawn by the server always. */
export function InBrowser({ isDrawn = false, children }: Props) {
  const isShown = useSyncExternalStore(
    never,
    () => true,
    () => isDrawn,
  )
  if (isShown) return children
  return (
    <Box component="main" aria-busy="true" sx={{ minHeight: '100vh' }}>
      <noscript>Soft Gale works out its figures in the browser: switch JavaScript on for this address.</noscript>
    </Box>
  )
}
