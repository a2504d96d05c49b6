import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

/** A page of one small sheet: signing in, joining, a new password. */
export const SmallSheet = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box
    component="main"
    sx={{ minHeight: '100vh', display: 'grid', placeItems: 'center', bgcolor: 'ground.paper', p: 2 }}
  >
    <Box
      sx={{
        width: '100%',
        maxWidth: 400,
        bgcolor: 'ground.sheet',
        borderTop: '4px solid',
        borderColor: 'cause.speed',
        p: 3,
      }}
    >
      <Typography variant="h1" component="h1">
        {title}
      </Typography>
      {children}
    </Box>
  </Box>
)
