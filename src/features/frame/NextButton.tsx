import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Link from 'next/link'
import { useWayOn } from '@/ui/WayOn'

/** Where the work goes on, in its words: at the top right of a desk. */
export function NextInWords() {
  const way = useWayOn()
  if (!way) return null
  return (
    <Button
      size="small"
      variant="contained"
      component={Link}
      prefetch={false}
      href={way.href}
      title={`Next: ${way.words}`}
      sx={{ display: { xs: 'none', md: 'inline-flex' }, maxWidth: 300, flexShrink: 0, px: 1.25 }}
    >
      <Box component="span" sx={{ textAlign: 'left', lineHeight: 1.2 }}>
        Next: {way.words}
      </Box>
    </Button>
  )
}

/** The same as a sign under a thumb. */
export function NextSign() {
  const way = useWayOn()
  if (!way) return null
  return (
    <Button
      variant="contained"
      component={Link}
      prefetch={false}
      href={way.href}
      aria-label={`Next: ${way.words}`}
      sx={{ display: { md: 'none' }, minWidth: 48, minHeight: 44, borderRadius: 0, fontSize: '1.3rem', lineHeight: 1 }}
    >
      →
    </Button>
  )
}
