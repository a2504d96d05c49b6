import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import type { DecimalMark } from '@/core/quantity/format'
import { usePreference } from '@/ui/preference'
import { saveText } from '@/ui/saveText'
import { MONO } from '@/ui/theme'

/** What a table of figures says under its heads. */
export type Figures = {
  readonly head: readonly string[]
  /** The first of each row names it. */
  readonly rows: readonly (readonly [name: string, ...figures: readonly string[]])[]
}

type Props = Figures & { label: string }

/** Figures in lines, as the chart above or beside them shows them. */
export function FigureTable({ label, head, rows }: Props) {
  const { decimalMark } = usePreference()
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small" aria-label={label} sx={{ maxWidth: 640, '& td, & tbody th': { fontFamily: MONO } }}>
        <TableHead>
          <TableRow>
            {head.map((name, index) => (
              <TableCell key={index} align={index === 0 ? 'left' : 'right'}>
                {name}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(([name, ...figures], row) => (
            <TableRow key={row}>
              <TableCell component="th" scope="row">
                {name}
              </TableCell>
              {figures.map((figure, index) => (
                <TableCell key={index} align="right">
                  {figure}
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Button size="small" onClick={() => void saveCsv(label, [head, ...rows], decimalMark)}>
        Save as CSV
      </Button>
    </Box>
  )
}

/** What a spreadsheet would work out rather than show; a figure below zero is none of it. */
const FORMULA = /^[=+@\t\r]|^-(?!\d)/

/** The figures as they stand there, in the units they stand in, with a minus that every program reads. Where decimals have a comma the columns are
 *  apart by semicolons, as spreadsheets of those who write so expect. */
async function saveCsv(
  label: string,
  lines: readonly (readonly string[])[],
  decimalMark: DecimalMark = '.',
): Promise<void> {
  const { unparse } = await import('papaparse')
  const plain = lines.map((line) => line.map((cell) => cell.replace(/^−(?=\d)/, '-')))
  const text = unparse(plain, {
    ...{ newline: '\n', escapeFormulae: FORMULA },
    delimiter: decimalMark === ',' ? ';' : ',',
  })
  saveText(`${label}.csv`, `${text}\n`, 'text/csv;charset=utf-8')
}
