import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { memo, type ReactNode } from 'react'

/** A line of a ruled list: words at the left, a figure at the right. */
export const Ruled = memo(function Ruled({
  label,
  children,
  strong = false,
  colour,
}: {
  label: ReactNode
  children: ReactNode
  strong?: boolean
  colour?: string
}) {
  return (
    <Box
      sx={{
        display: 'flex',
        justifyContent: 'space-between',
        alignItems: 'baseline',
        gap: 1.5,
        borderBottom: '1px dotted',
        borderColor: 'divider',
        py: 0.5,
      }}
    >
      <Typography variant="body2" sx={{ color: colour, fontWeight: strong ? 700 : 400 }}>
        {label}
      </Typography>
      <Typography
        variant="figure"
        sx={{
          fontSize: '0.875rem',
          color: colour,
          fontWeight: strong ? 700 : 400,
          textAlign: 'right',
          // A short figure stays in one line, a long text takes its share.
          flexShrink: 0,
          maxWidth: '65%',
        }}
      >
        {children}
      </Typography>
    </Box>
  )
})
