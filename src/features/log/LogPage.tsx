import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { LogFilter, type Filter } from '@/features/log/LogFilter'
import { LogEntries } from '@/features/log/LogEntries'
import { LogList, type ShownEntry } from '@/ui/LogList'
import type { ShownLogEntry, ShownPhoto } from '@/ui/onSite/pack'
import { Moment } from '@/ui/Moment'
import { OlderEntries } from '@/ui/OlderEntries'

type Props = {
  entries: readonly (ShownEntry & ShownLogEntry)[]
  /** It begins with the newest of all. */
  isNewest: boolean
  filter: Filter
  /** The installation that is asked for; null where none is. */
  ofName: string | null
  /** Pictures of the installation that is asked for. */
  photos: readonly ShownPhoto[]
  writers: readonly string[]
  sites: readonly { readonly id: string; readonly name: string }[]
  /** Where the next page begins; null where this is the last. */
  older: number | null
}

/** Everything that was made, sealed, visited and noted in this workspace. It can be added to, not changed. */
export function LogPage({ entries, isNewest, filter, ofName, photos, writers, sites, older }: Props) {
  const asked = Object.fromEntries(Object.entries(filter).filter(([, value]) => value !== ''))
  return (
    <Box component="main" sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: 2.5, py: 2 }}>
      <Typography variant="h1">Log{ofName === null ? '' : ` of ${ofName}`}</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        What was created, sealed, visited and noted, newest first. It can be added to, not changed.
      </Typography>
      <Box sx={{ maxWidth: 1100, mt: 1.5 }}>
        <LogFilter filter={filter} writers={writers} sites={sites} />
      </Box>
      <Box sx={{ maxWidth: 860 }}>
        <Typography variant="body2" sx={{ mb: 1, display: 'flex', gap: 2, flexWrap: 'wrap', displayPrint: 'none' }}>
          <a href={`/api/log?${new URLSearchParams(asked).toString()}`} download>
            As CSV, all that is asked for
          </a>
          {Object.keys(asked).length > 0 && <Link href="/log">Everything again</Link>}
        </Typography>
        {isNewest && Object.keys(asked).length === 0 ? <LogEntries entries={entries} /> : <LogList entries={entries} />}
        {photos.length > 0 && <Photos photos={photos} />}
        <OlderEntries path="/log" query={asked} older={older} />
      </Box>
    </Box>
  )
}

const Photos = ({ photos }: { photos: readonly ShownPhoto[] }) => (
  <Box component="section" aria-label="Photos" sx={{ mt: 2 }}>
    <Typography variant="h2">Photos</Typography>
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
      {photos.map(({ id, caption, takenBy, takenAt }) => (
        <Box component="figure" key={id} sx={{ m: 0, width: 200 }}>
          <a href={`/api/photo/${id}`}>
            <img src={`/api/photo/${id}`} alt={caption} style={{ width: 200, maxHeight: 150, objectFit: 'cover' }} />
          </a>
          <Typography component="figcaption" variant="body2">
            {caption}, {takenBy}, <Moment at={takenAt} as="day" />
          </Typography>
        </Box>
      ))}
    </Box>
  </Box>
)
