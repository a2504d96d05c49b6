import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { DUTY_NAMES } from '@/core/brief/duty'
import type { Pack } from '@/ui/onSite/pack'
import { Moment } from '@/ui/Moment'
import { Notice } from '@/ui/Notice'
import { stagePath } from '@/ui/stages'

/** What was taken along, by site. */
export function AlongList({ packs, missed }: { packs: readonly Pack[]; missed: string | null }) {
  const sites = [...new Set(packs.map(({ siteName }) => siteName))].sort()
  return (
    <Box component="main" sx={{ bgcolor: 'ground.sheet', minHeight: '80vh', px: 2.5, py: 2, maxWidth: 820 }}>
      <Typography variant="h1">Taken along</Typography>
      {missed !== null && <Notice title={missed}>With signal it opens as always. These are here:</Notice>}
      {sites.map((site) => (
        <Box component="section" aria-label={site} key={site} sx={{ mt: 2 }}>
          <Typography variant="h2">{site}</Typography>
          {packs
            .filter(({ siteName }) => siteName === site)
            .map(({ id, document, takenAt }) => (
              <Box
                key={id}
                component={Link}
                prefetch={false}
                href={stagePath(id, 'respond')}
                sx={{
                  display: 'block',
                  color: 'text.primary',
                  textDecoration: 'none',
                  borderBottom: 1,
                  borderColor: 'divider',
                  py: 1,
                  minHeight: 44,
                }}
              >
                <b>{document.name}</b>
                <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                  {DUTY_NAMES[document.brief.duty]} · as of <Moment at={takenAt} />
                </Typography>
              </Box>
            ))}
        </Box>
      ))}
    </Box>
  )
}
