import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import type { Action, ActionPart } from '@/core/controller/dialIn'
import { MONO } from '@/ui/theme'

/** The colour of the figure an action enters. */
export const quantityColour = (action: Action): string =>
  action.setting?.quantity === 'temperature' || action.setting?.quantity === 'temperatureDifference'
    ? 'cause.temperature'
    : action.setting?.quantity === 'humidity'
      ? 'cause.humidity'
      : action.setting?.quantity === 'time'
        ? 'cause.time'
        : 'cause.speed'

/** A control of the panel, as a key. */
export const Key = ({ children }: { children: ReactNode }) => (
  <Box
    component="kbd"
    sx={{
      fontFamily: MONO,
      fontWeight: 600,
      fontSize: '0.875em',
      border: 1,
      borderBottom: '3px solid',
      borderColor: 'text.primary',
      borderRadius: 1,
      bgcolor: 'ground.sheet',
      px: 1,
      py: 0.25,
      mx: 0.5,
      whiteSpace: 'nowrap',
    }}
  >
    {children}
  </Box>
)

/** What an action says, with its keys and its figures. */
export const Parts = ({ parts, colour }: { parts: readonly ActionPart[]; colour: string }) =>
  parts.map(({ kind, text }, index) =>
    kind === 'key' ? (
      <Key key={index}>{text}</Key>
    ) : kind === 'value' ? (
      <Box key={index} component="span" sx={{ fontFamily: MONO, fontWeight: 600, color: colour, whiteSpace: 'nowrap' }}>
        {text}
      </Box>
    ) : (
      <span key={index}>{text}</span>
    ),
  )
