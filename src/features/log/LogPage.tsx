import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { LogList, type ShownEntry } from '@/ui/LogList'
import { OlderEntries } from '@/ui/OlderEntries'
import { SearchForm } from '@/ui/SearchForm'

type Props = {
  entries: readonly ShownEntry[]
  holds: string
  /** Where the next page begins; null where this is the last. */
  older: number | null
}

/** Everything that was made, sealed and noted in this workspace. It can be added to, not changed. */
export const LogPage = ({ entries, holds, older }: Props) => (
  <Box component="main" sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: 2.5, py: 2 }}>
    <Typography variant="h1">Log</Typography>
    <Typography sx={{ color: 'text.secondary', mb: 1 }}>
      What was made, sealed and noted, newest first. It can be added to, not changed.
    </Typography>
    <Box sx={{ maxWidth: 760 }}>
      <SearchForm label="Search the log" holds={holds} />
      <LogList entries={entries} />
      <OlderEntries path="/log" holds={holds} older={older} />
    </Box>
  </Box>
)
