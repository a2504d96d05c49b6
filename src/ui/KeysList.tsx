'use client'

import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { Fragment } from 'react'
import { PLACES } from '@/ui/places'
import { MONO } from '@/ui/theme'

const KEYS: readonly (readonly [keys: string, does: string])[] = [
  ['Ctrl K', 'find or do'],
  ...PLACES.map(({ name, key }) => [`g then ${key}`, `to ${name}`] as const),
  ['[  and  ]', 'previous and next stage'],
  ['t', 'try it'],
  ['a', 'add a rule'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['Ctrl Enter', 'to the seal'],
  ['arrow keys', 'turn a field; move a handle or a tick by one controller step'],
  ['Alt + arrow keys', 'move a handle free of the controller’s steps'],
  ['?', 'this list'],
]

/** Every key, in one list. Single letters are off while typing. */
export function KeysList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <dl style={{ display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 24, rowGap: 4, margin: 0 }}>
          {KEYS.map(([keys, does]) => (
            <Fragment key={keys}>
              <Typography component="dt" sx={{ fontFamily: MONO }}>
                {keys}
              </Typography>
              <Typography component="dd" sx={{ m: 0 }}>
                {does}
              </Typography>
            </Fragment>
          ))}
        </dl>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  )
}
