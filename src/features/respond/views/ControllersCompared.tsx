'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useState } from 'react'
import { lossText } from '@/core/sentences/lossText'
import { driveText, rankModels, type Ranked } from '@/core/kit/rankModels'
import type { ControllerModel } from '@/core/controller/schema'
import { chooseController } from '@/core/installation/chooseController'
import { formatPct } from '@/core/quantity/format'
import { compare } from '@/core/record/compare'
import { ChangeList } from '@/ui/ChangeList'
import { getJson } from '@/ui/json'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

/** What every controller would make of this response, side by side, and what moves when one is taken. */
export function ControllersCompared() {
  const document = useDocument()
  const { given } = useDerived()
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const [models, setModels] = useState<readonly ControllerModel[] | null>(null)
  const [failed, setFailed] = useState(false)
  const [looked, setLooked] = useState<string | null>(null)
  useEffect(() => {
    void getJson<{ models: ControllerModel[] }>('/api/controllers').then((answer) =>
      answer ? setModels(answer.models) : setFailed(true),
    )
  }, [])
  const { response, kit, brief } = document
  const ranked = useMemo(() => rankModels(response, kit, brief, models ?? []), [response, kit, brief, models])
  if (failed)
    return (
      <Typography variant="body2">
        The controllers could not be fetched; nothing was lost. Open this view again.
      </Typography>
    )
  if (!models) return <Typography variant="body2">Fetching the controllers…</Typography>
  const one = ranked.find(({ model }) => model.id === looked)
  const moves = one
    ? compare({ ...document, response: given.response }, { ...document, response: one.fit.given }, preference)
    : []
  return (
    <>
      {one && (
        <Box component="section" aria-label="What moves" sx={{ my: 1 }}>
          <Typography variant="h2">With {one.model.name}</Typography>
          {moves.length === 0 && <Typography variant="body2">Nothing it gives would change.</Typography>}
          <ChangeList changes={moves} />
          {one.model.id !== kit.controller?.id && (
            <Button
              variant="outlined"
              size="small"
              sx={{ mt: 1 }}
              onClick={() => edit(`controller: ${one.model.name}`, (draft) => chooseController(draft, one.model))}
            >
              Take this controller
            </Button>
          )}
        </Box>
      )}
      <Box sx={{ overflowX: 'auto' }}>
        <Table
          size="small"
          aria-label="Controllers compared"
          sx={{ minWidth: 640, '& td, & th': { verticalAlign: 'top' } }}
        >
          <TableHead>
            <TableRow>
              <TableCell>controller, the nearest first</TableCell>
              <TableCell>drives it</TableCell>
              <TableCell align="right">off by at most</TableCell>
              <TableCell align="right">on the mean</TableCell>
              <TableCell>cannot</TableCell>
              <TableCell>otherwise</TableCell>
              <TableCell>and then</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {ranked.map((row) => (
              <TableRow key={row.model.id} selected={row.model.id === kit.controller?.id}>
                <TableCell component="th" scope="row">
                  {row.model.name}
                  {row.model.id === kit.controller?.id && ' ◂ chosen'}
                </TableCell>
                <TableCell>{row.cannotDrive.length === 0 ? 'yes' : row.cannotDrive.map(driveText).join(' ')}</TableCell>
                <TableCell align="right">{formatPct(row.greatestPct, preference)} %</TableCell>
                <TableCell align="right">{formatPct(row.meanPct, preference)} %</TableCell>
                <TableCell>
                  <Losses losses={row.missing} {...{ response, preference }} />
                </TableCell>
                <TableCell>
                  <Losses losses={row.changed} {...{ response, preference }} />
                </TableCell>
                <TableCell>
                  <Button
                    size="small"
                    aria-label={`What moves with ${row.model.name}`}
                    onClick={() => setLooked(row.model.id)}
                  >
                    What moves
                  </Button>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </>
  )
}

type LossesProps = Pick<Ranked, 'missing'>['missing']
const Losses = ({
  losses,
  response,
  preference,
}: {
  losses: LossesProps
  response: Parameters<typeof lossText>[1]
  preference: Parameters<typeof lossText>[2]
}) =>
  losses.length === 0
    ? '–'
    : losses.map((loss, index) => {
        const { title, detail } = lossText(loss, response, preference)
        return (
          <div key={index} title={detail}>
            {title}
          </div>
        )
      })
