'use client'

import Alert, { type AlertProps } from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { Moment } from '@/ui/Moment'
import { useProblemWords } from '@/ui/preference'
import { useWorkingCopy } from '@/ui/workingCopy/context'

/** What stands between this page and the server, when something does, and the ways out. */
export function StandingNotice() {
  const { line } = useProblemWords()
  const standing = useWorkingCopy((state) => state.standing)
  const takeTheirs = useWorkingCopy((state) => state.takeTheirs)
  const keepMine = useWorkingCopy((state) => state.keepMine)
  const undo = useWorkingCopy((state) => state.undo)
  if (standing.kind === 'behind')
    return (
      <Bar
        severity="error"
        action={
          <>
            <Button size="small" onClick={() => void takeTheirs()}>
              Show the newer one
            </Button>
            <Button size="small" onClick={() => void keepMine()}>
              Put mine over it
            </Button>
          </>
        }
      >
        {standing.savedBy} kept a newer working copy at <Moment at={standing.savedAt} as="clock" />, and you both
        changed the same. {standing.places.length > 0 && `${standing.places.join('; ')}. `}
        Nothing here has been sent over it.
      </Bar>
    )
  if (standing.kind === 'contradicts')
    return (
      <Bar
        severity="warning"
        action={
          <Button size="small" onClick={undo}>
            Undo
          </Button>
        }
      >
        {standing.problems.map(line).join(' ')} Your change stays in this browser and is sent as soon as this is mended.
      </Bar>
    )
  if (standing.kind === 'waiting') return <Bar severity="warning">{WAITING[standing.why]}</Bar>
  if (standing.kind === 'forbidden')
    return (
      <Bar
        severity="warning"
        action={
          <Button size="small" onClick={() => void takeTheirs()}>
            Show what is kept
          </Button>
        }
      >
        {standing.text} What you changed here is only on this page.
      </Bar>
    )
  return null
}

const WAITING = {
  'signed-out': 'You are signed out. Your change is kept in this browser; sign in again in another tab and it is sent.',
  gone: 'The server cannot be reached. Your change is kept in this browser and is sent as soon as the server answers.',
  busy: 'The server has too much to do just now. Your change is kept in this browser and is sent as soon as it can be.',
  full: 'The disk of the server is full. Your change is kept in this browser and is sent as soon as there is room; tell who looks after the server.',
  unknown:
    'This installation is not in your workspace any more. Your change is kept in this browser; was it deleted, or do you work in another workspace now?',
} as const

/** It lies across the page, from edge to edge. */
const Bar = (props: AlertProps) => <Alert variant="outlined" sx={{ borderRadius: 0 }} {...props} />
