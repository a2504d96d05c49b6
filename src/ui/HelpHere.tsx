'use client'

import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { usePathname, useRouter } from 'next/navigation'
import { Fragment } from 'react'
import { helpAt } from '@/ui/help'
import { PLACES } from '@/ui/places'
import { HelpPicture } from '@/ui/HelpPicture'
import { MONO } from '@/ui/theme'
import { startTour } from '@/ui/tour/tourStore'

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
  ['?', 'this help'],
]

/** What one does on this page, its words, and every key. Single letters are off while typing. */
export function HelpHere({ onClose }: { onClose: () => void }) {
  const help = helpAt(usePathname())
  const router = useRouter()
  return (
    <Dialog open onClose={onClose} aria-labelledby="help-title">
      <DialogTitle id="help-title">{help ? `${help.title}: what to do here` : 'Keys'}</DialogTitle>
      <DialogContent>
        {help && <Typography>{help.text}</Typography>}
        {help?.stage && <HelpPicture stage={help.stage} />}
        {help && help.terms.length > 0 && (
          <>
            <Typography variant="h2" sx={{ mt: 2 }}>
              Words
            </Typography>
            <dl style={{ margin: 0 }}>
              {help.terms.map(({ term, means, also }) => (
                <Fragment key={term}>
                  <Typography component="dt" sx={{ fontWeight: 600, mt: 0.75 }}>
                    {term}
                  </Typography>
                  <Typography component="dd" variant="body2" sx={{ m: 0 }}>
                    {means}
                    {also.length > 0 && `; also called ${also.join(', ')}`}
                  </Typography>
                </Fragment>
              ))}
            </dl>
          </>
        )}
        {help && (
          <Typography variant="h2" sx={{ mt: 2 }}>
            Keys
          </Typography>
        )}
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
        <Button
          sx={{ mr: 'auto' }}
          onClick={() => {
            startTour()
            onClose()
            router.push('/yard')
          }}
        >
          Tour of the demo, seven steps
        </Button>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  )
}
