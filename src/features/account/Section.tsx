import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

/** One matter of the account, under its heading. */
export const Section = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ mt: 3 }}>
    <Typography variant="h2" sx={{ mb: 1 }}>
      {title}
    </Typography>
    {children}
  </Box>
)
