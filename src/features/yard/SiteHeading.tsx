import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { TakeAlong } from '@/features/yard/TakeAlong'
import { outageAtSite, sitePath } from '@/ui/places'

type HeadingProps = { site: string; isNamed: boolean; siteId: string | undefined; ids: readonly string[] }

/** Above the rows of a site: its name and what is done with all of it. */
export const SiteHeading = ({ site, isNamed, siteId, ids }: HeadingProps) => (
  <Box
    sx={{
      display: 'flex',
      columnGap: 2,
      alignItems: 'center',
      flexWrap: 'wrap',
      pt: 1.5,
      pb: 0.5,
      '& a': { display: 'inline-flex', alignItems: 'center', minHeight: 24 },
    }}
  >
    {isNamed && <Typography variant="h2">{site}</Typography>}
    {siteId !== undefined && <Link href={sitePath(siteId)}>Site</Link>}
    <Link href={outageAtSite(site)}>After an outage</Link>
    <TakeAlong site={site} ids={ids} />
  </Box>
)
