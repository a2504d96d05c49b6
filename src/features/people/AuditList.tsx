import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { Moment } from '@/ui/Moment'
import { OlderEntries } from '@/ui/OlderEntries'
import { SearchForm } from '@/ui/SearchForm'

export type ShownDeed = {
  readonly seq: number
  readonly personName: string
  readonly action: string
  readonly what: string
  readonly address: string
  readonly at: string
}

type Props = { audit: readonly ShownDeed[]; holds: string; older: number | null }

/** Who did what, from where, newest first. */
export const AuditList = ({ audit, holds, older }: Props) => (
  <Box component="section" aria-label="Audit" sx={{ mt: 3 }}>
    <Typography variant="h2">Who did what</Typography>
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      It is added to, never changed; a name is the name of that time.{' '}
      <a href="/api/audit" download>
        Export it as CSV
      </a>
      {' · '}
      <a href="/api/workspace" download>
        Take this whole yard out as one file
      </a>
    </Typography>
    <SearchForm label="Search the audit" holds={holds} />
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Entries of the audit">
      <Table size="small" sx={{ minWidth: 560 }}>
        <TableHead>
          <TableRow>
            {['When', 'Who', 'Did', 'What', 'From'].map((heading) => (
              <TableCell key={heading}>{heading}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {audit.map(({ seq, personName, action, what, address, at }) => (
            <TableRow key={seq}>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                <Moment at={at} />
              </TableCell>
              <TableCell>{personName}</TableCell>
              <TableCell>{action}</TableCell>
              <TableCell sx={{ overflowWrap: 'anywhere' }}>{what}</TableCell>
              <TableCell>{address}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
    <OlderEntries path="/people" query={holds === '' ? {} : { holds }} older={older} />
  </Box>
)
