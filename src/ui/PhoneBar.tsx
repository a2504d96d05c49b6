import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import { THUMB_ROW } from '@/ui/DisplayStyle'
import { PLACES_PX } from '@/ui/places'

/** A phone on its side, or a page at twice its size: what stays in place would leave no room for the rest. */
const LOW = '@media (max-height: 500px)'

/** The main action at the bottom of a phone, where the thumb is, above the places; on a low screen it goes with the page. Nothing on a
 *  desk. */
export const PhoneBar = ({ children }: { children: ReactNode }) => (
  <>
    <Box sx={{ display: { xs: 'block', md: 'none' }, height: 80, [LOW]: { display: 'none' } }} />
    <Box
      {...{ [THUMB_ROW]: '' }}
      sx={{
        display: { xs: 'flex', md: 'none' },
        position: 'fixed',
        inset: `auto 0 ${PLACES_PX}px 0`,
        gap: 1.25,
        p: 1.5,
        bgcolor: 'ground.sheet',
        borderTop: 1,
        borderColor: 'divider',
        zIndex: 10,
        '& .MuiButton-root': { minHeight: 56, fontSize: '1rem' },
        [LOW]: { position: 'static', px: 0 },
      }}
    >
      {children}
    </Box>
  </>
)

/** What is pressed next: at the bottom of a phone, under the card on a desk. */
export const NextBar = ({ children }: { children: ReactNode }) => (
  <>
    <PhoneBar>{children}</PhoneBar>
    <Box sx={{ display: { xs: 'none', md: 'flex' }, gap: 1.25, mt: 1.5 }}>{children}</Box>
  </>
)
