import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

type Props = {
  colour: string
  asks: ReactNode
  isInCharge?: boolean
  isOff?: boolean
  actions?: ReactNode
  children: ReactNode
}

/** One sentence: the bar of its cause at the left, what it asks now at the right. */
export function SentenceRow({ colour, asks, isInCharge = false, isOff = false, actions, children }: Props) {
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        flexWrap: { xs: 'wrap', sm: 'nowrap' },
        alignItems: 'baseline',
        gap: 1,
        borderLeft: '4px solid',
        borderColor: isOff ? 'divider' : colour,
        pl: 1.25,
        py: 0.5,
        mb: 0.75,
      }}
    >
      <Typography
        component="div"
        sx={{ flex: 1, lineHeight: 2, opacity: isOff ? 0.75 : 1, minWidth: { xs: '100%', sm: 0 } }}
      >
        {children}
      </Typography>
      <Typography
        variant="body2"
        component="div"
        sx={{
          whiteSpace: 'nowrap',
          color: isInCharge ? 'text.primary' : 'text.secondary',
          fontWeight: isInCharge ? 700 : 400,
        }}
      >
        {isOff ? 'switched off' : asks}
        {isInCharge && ' ◂ in charge'}
      </Typography>
      {actions}
    </Box>
  )
}
