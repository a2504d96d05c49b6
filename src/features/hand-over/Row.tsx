import Box from '@mui/material/Box'
import type { ReactNode } from 'react'

/** Fields of one thing, on a ruled line. */
export const Row = ({ children }: { children: ReactNode }) => (
  <Box
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      gap: 1,
      alignItems: 'center',
      borderBottom: '1px dotted',
      borderColor: 'divider',
      py: 0.5,
      minHeight: { xs: 44, md: 34 },
      '& button': { minHeight: { xs: 44, md: 0 } },
    }}
  >
    {children}
  </Box>
)
