'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { formatDayAndClock } from '@/ui/clock'

export type ShownEntry = {
  readonly id: string
  readonly text: string
  readonly writtenBy: string
  readonly writtenAt: string
  readonly of?: { readonly name: string; readonly path: string }
}

/** Log entries, newest first. */
export const LogList = ({ entries }: { entries: readonly ShownEntry[] }) => (
  <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
    {entries.map(({ id, text, writtenBy, writtenAt, of }) => (
      <Box component="li" key={id} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          <span suppressHydrationWarning>{formatDayAndClock(writtenAt)}</span>, {writtenBy}
          {of && (
            <>
              {' · '}
              <Link href={of.path}>{of.name}</Link>
            </>
          )}
        </Typography>
        <Typography variant="body2">{text}</Typography>
      </Box>
    ))}
    {entries.length === 0 && <Typography variant="body2">Nothing written yet.</Typography>}
  </Box>
)
