import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { WayOn } from '@/ui/WayOn'

type Props = {
  title: ReactNode
  aside?: ReactNode
  side?: ReactNode
  sideTitle?: string
  /** Nothing above it names the page: the title does. */
  isPage?: boolean
  children: ReactNode
}

/** A stage: the work in the middle, the side sheet at the right; one column on a phone. */
export function StageLayout({ title, aside, side, sideTitle, isPage = false, children }: Props) {
  return (
    <Box sx={{ display: 'flex', flexDirection: { xs: 'column', md: 'row' }, flex: 1, minWidth: 0 }}>
      <Box
        component="main"
        sx={{ flex: 1, minWidth: 0, bgcolor: 'ground.sheet', px: { xs: 1.75, sm: 2.25 }, py: 1.25 }}
      >
        <Box
          sx={{
            display: 'flex',
            justifyContent: 'space-between',
            alignItems: 'baseline',
            gap: 2,
            mb: 1,
            flexWrap: 'wrap',
          }}
        >
          <Typography variant="h2" component={isPage ? 'h1' : 'h2'}>
            {title}
          </Typography>
          <Typography variant="body2" component="div" sx={{ color: 'text.secondary' }}>
            {aside}
          </Typography>
        </Box>
        {children}
        {!isPage && <WayOn />}
      </Box>
      {side && (
        <Box
          component="aside"
          aria-label={sideTitle ?? 'Side sheet'}
          sx={{
            width: { xs: '100%', md: 296 },
            flexShrink: 0,
            bgcolor: 'ground.side',
            borderLeft: { md: 1 },
            borderColor: { xs: 'divider', md: 'divider' },
            px: 2,
            py: 1.25,
          }}
        >
          {side}
        </Box>
      )}
    </Box>
  )
}

export const SideHeading = ({ children }: { children: ReactNode }) => (
  <Typography variant="h2" component="h2" sx={{ mt: 1.5, mb: 0.5, '&:first-of-type': { mt: 0 } }}>
    {children}
  </Typography>
)
