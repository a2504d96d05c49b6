import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

/** A line of a ruled list with something to set: words at the left, what sets it and its buttons at the right. */
export const RuledField = ({ label, children }: { label: ReactNode; children: ReactNode }) => (
  <Box
    sx={{
      display: 'flex',
      alignItems: 'baseline',
      gap: 0.75,
      borderBottom: '1px dotted',
      borderColor: 'divider',
      py: 0.25,
    }}
  >
    <Typography variant="body2" component="div" sx={{ flex: 1 }}>
      {label}
    </Typography>
    {children}
  </Box>
)
