'use client'

import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import { curveAgainst } from '@/core/response/curve'
import { formatFigure, formatPct, preferredUnit } from '@/core/quantity/format'
import type { MeasuredInput } from '@/core/response/schema'
import { MONO } from '@/ui/theme'
import { useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived } from '@/ui/workingCopy/context'

const EVERY = 20

/** The same figures as the chart, in lines. */
export function CurveTable({ input }: { input: MeasuredInput }) {
  const { asked, given, fans } = useDerived()
  const { values } = useTryIt()
  const preference = usePreference()
  if (!asked.machine || !given.machine) return null
  const giving = curveAgainst(given.machine, input, values)
  const rows = curveAgainst(asked.machine, input, values).flatMap((point, index) =>
    index % EVERY === 0 ? [{ ...point, given: giving[index]! }] : [],
  )
  const names = given.machine.fanIds.map((id) => fans.find(({ fan }) => fan.id === id)?.fan.name ?? id)
  return (
    <Table size="small" sx={{ maxWidth: 560, '& td': { fontFamily: MONO } }}>
      <TableHead>
        <TableRow>
          <TableCell>
            {input.name}, {preferredUnit(input.kind, preference).symbol}
          </TableCell>
          <TableCell align="right">asked, %</TableCell>
          {names.map((name) => (
            <TableCell key={name} align="right">
              {name} given, %
            </TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map(({ x, pct, given: { fansPct } }) => (
          <TableRow key={x}>
            <TableCell>{formatFigure(x, input.kind, preference)}</TableCell>
            <TableCell align="right">{formatPct(pct)}</TableCell>
            {fansPct.map((fanPct, index) => (
              <TableCell key={names[index]} align="right">
                {formatPct(fanPct)}
              </TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  )
}
