import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { ABILITIES } from '@/core/controller/abilities'
import type { ControllerModel } from '@/core/controller/schema'

/** Two controllers beside each other: what one can and the other cannot, then how many settings each has. */
export function CompareModels({ models }: { models: readonly ControllerModel[] }) {
  const differing = ABILITIES.filter(({ has }) => new Set(models.map(has)).size > 1)
  const counts: readonly (readonly [string, (model: ControllerModel) => number])[] = [
    ['Settings', ({ settings }) => settings.length],
    ['Outputs for fans', ({ outputs }) => outputs.length],
    ['Lost without power', ({ settings }) => settings.filter(({ power }) => power === 'lost').length],
  ]
  return (
    <Box component="section" aria-label="Compared" sx={{ mb: 2, maxWidth: 820 }}>
      <Typography variant="h2">Where they differ</Typography>
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell />
            {models.map(({ id, name }) => (
              <TableCell key={id}>{name}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {differing.map(({ id, name, has }) => (
            <TableRow key={id}>
              <TableCell component="th" scope="row">
                {name}
              </TableCell>
              {models.map((model) => (
                <TableCell key={model.id}>{has(model) ? '✓ can' : 'cannot'}</TableCell>
              ))}
            </TableRow>
          ))}
          {counts.map(([name, count]) => (
            <TableRow key={name}>
              <TableCell component="th" scope="row">
                {name}
              </TableCell>
              {models.map((model) => (
                <TableCell key={model.id}>{count(model)}</TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  )
}
