import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import { MONO } from '@/ui/theme'

type Props = {
  label: string
  head: readonly string[]
  /** The first of each row names it. */
  rows: readonly (readonly [name: string, ...figures: readonly string[]])[]
}

/** Figures in lines, as the chart above or beside them shows them. */
export const FigureTable = ({ label, head, rows }: Props) => (
  <Box sx={{ overflowX: 'auto' }}>
    <Table size="small" aria-label={label} sx={{ maxWidth: 640, '& td, & tbody th': { fontFamily: MONO } }}>
      <TableHead>
        <TableRow>
          {head.map((name, index) => (
            <TableCell key={name} align={index === 0 ? 'left' : 'right'}>
              {name}
            </TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map(([name, ...figures]) => (
          <TableRow key={name}>
            <TableCell component="th" scope="row">
              {name}
            </TableCell>
            {figures.map((figure, index) => (
              <TableCell key={head[index + 1]} align="right">
                {figure}
              </TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  </Box>
)
