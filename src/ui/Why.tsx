'use client'

import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import Link from '@mui/material/Link'
import Popover from '@mui/material/Popover'
import Typography from '@mui/material/Typography'
import { useState, type ReactNode } from 'react'

type Props = {
  what: string
  formula: string
  withValues: string
  source: string
  /** What the figure does not say. */
  note?: string
  /** Where the sum itself can be opened. */
  href?: string
  children: ReactNode
}

/** A figure that can be argued with: touch it and see the formula, the values put in, and the source. */
export function Why({ what, formula, withValues, source, note, href, children }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  return (
    <>
      <ButtonBase
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={`Why: ${what}`}
        aria-haspopup="dialog"
        sx={{
          font: 'inherit',
          color: 'inherit',
          textDecoration: 'underline dashed',
          textDecorationThickness: 1,
          textUnderlineOffset: '0.3em',
          borderRadius: 0,
          verticalAlign: 'baseline',
          minHeight: { xs: 36, sm: 0 },
        }}
      >
        {children}
      </ButtonBase>
      {/* Only while it is open: a page of figures would otherwise carry a page of closed sheets. */}
      {anchor && (
        <Popover
          open
          anchorEl={anchor}
          onClose={() => setAnchor(null)}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
          slotProps={{
            paper: { 'aria-label': what, sx: { border: 1, borderColor: 'text.primary', p: 1.5, maxWidth: 360 } },
          }}
        >
          <Typography variant="h2" component="h2">
            {what}
          </Typography>
          <Typography variant="figure" component="p" sx={{ my: 0.5 }}>
            {formula}
          </Typography>
          <Typography variant="figure" component="p" sx={{ mb: 0.5 }}>
            {withValues}
          </Typography>
          <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 0.5 }}>
            {note && (
              <Typography variant="body2" sx={{ mb: 0.5 }}>
                {note}
              </Typography>
            )}
            <Typography variant="body2">Source: {source}</Typography>
            {href && (
              <Link href={href} variant="body2">
                Open it under Calculations
              </Link>
            )}
          </Box>
        </Popover>
      )}
    </>
  )
}
