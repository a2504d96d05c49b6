'use client'

import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import { followerPct } from '@/core/response/follower'
import { namedSpeeds } from '@/core/response/namedSpeeds'
import { formatPct, formatQuantity } from '@/core/quantity/format'
import { MONO } from '@/ui/theme'
import { usePreference } from '@/ui/preference'
import { useDerived } from '@/ui/workingCopy/context'

/** Every speed that has a name, for the lead and for each fan that follows, in percent and in flow where a map knows it. */
export function SpeedsTable() {
  const { given, fans } = useDerived()
  const preference = usePreference()
  const { response } = given
  const columns = [
    { id: response.lead, at: (pct: number) => pct },
    ...response.followers.map((follower) => ({
      id: follower.fan,
      at: (pct: number) => followerPct(follower, pct, response.floor.speedPct, response.steps),
    })),
  ].map(({ id, at }) => ({ id, at, fan: fans.find(({ fan }) => fan.id === id) }))
  return (
    <Table size="small" sx={{ maxWidth: 640, '& td': { fontFamily: MONO } }} aria-label="Named speeds">
      <TableHead>
        <TableRow>
          <TableCell>speed</TableCell>
          {columns.map(({ id, fan }) => (
            <TableCell key={id} align="right">
              {fan?.fan.name ?? id}
            </TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {namedSpeeds(response).map(({ name, pct }) => (
          <TableRow key={name}>
            <TableCell component="th" scope="row">
              {name}
            </TableCell>
            {columns.map(({ id, at, fan }) => {
              const flowLs = fan?.flowAt(at(pct)) ?? null
              return (
                <TableCell key={id} align="right">
                  {formatPct(at(pct))} %{flowLs === null ? '' : ` · ${formatQuantity(flowLs, 'flow', preference)}`}
                </TableCell>
              )
            })}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  )
}
