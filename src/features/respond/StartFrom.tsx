'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import dynamic from 'next/dynamic'
import { memo, useState } from 'react'
import type { Response } from '@/core/response/schema'
import type { OtherInstallation } from '@/features/respond/start/FromOther'
import { useWorkingCopy } from '@/ui/workingCopy/context'

// Fetched when one is opened.
const FromBrief = dynamic(() => import('@/features/respond/start/FromBrief').then(({ FromBrief: Way }) => Way))
const FromOther = dynamic(() => import('@/features/respond/start/FromOther').then(({ FromOther: Way }) => Way))
const FromPanel = dynamic(() => import('@/features/respond/start/FromPanel').then(({ FromPanel: Way }) => Way))

const WAYS = {
  brief: 'From brief and calibration',
  other: 'From another installation',
  panel: 'From the controller as found',
} as const
type Way = keyof typeof WAYS

/** Beginnings of a response, each shown before it is taken; what was there comes back with undo. */
export const StartFrom = memo(function StartFrom({ others }: { others: readonly OtherInstallation[] }) {
  const edit = useWorkingCopy((state) => state.edit)
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const [way, setWay] = useState<Way | null>(null)
  const close = () => setWay(null)
  const take = (label: string, response: Response) => {
    edit(label, (draft) => void (draft.response = response))
    close()
  }
  return (
    <>
      <Button size="small" aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Start from…
      </Button>
      {anchor && (
        <Menu open anchorEl={anchor} onClose={() => setAnchor(null)}>
          {(Object.keys(WAYS) as Way[]).map((id) => (
            <MenuItem
              key={id}
              onClick={() => {
                setAnchor(null)
                setWay(id)
              }}
            >
              {WAYS[id]}
            </MenuItem>
          ))}
        </Menu>
      )}
      <Dialog open={way !== null} onClose={close} fullWidth maxWidth="md" aria-labelledby="start-title">
        <DialogTitle id="start-title">{way && WAYS[way]}</DialogTitle>
        <DialogContent>
          <Box sx={{ minHeight: 200 }}>
            {way === 'brief' && <FromBrief onTake={take} />}
            {way === 'other' && <FromOther others={others} onTake={take} />}
            {way === 'panel' && <FromPanel onTake={take} />}
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={close}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  )
})
