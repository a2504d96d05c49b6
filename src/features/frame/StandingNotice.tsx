'use client'

import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { problemLine } from '@/core/problem'
import { formatClock } from '@/ui/clock'
import { useWorkingCopy } from '@/ui/workingCopy/context'

/** What stands between this page and the server, when something does, and the ways out. */
export function StandingNotice() {
  const standing = useWorkingCopy((state) => state.standing)
  const takeTheirs = useWorkingCopy((state) => state.takeTheirs)
  const keepMine = useWorkingCopy((state) => state.keepMine)
  const undo = useWorkingCopy((state) => state.undo)
  if (standing.kind === 'behind')
    return (
      <Alert
        severity="error"
        variant="outlined"
        sx={{ borderRadius: 0 }}
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
        This page is behind: {standing.savedBy} kept a newer working copy at {formatClock(standing.savedAt)}. Nothing
        here has been sent over it.
      </Alert>
    )
  if (standing.kind === 'contradicts')
    return (
      <Alert
        severity="warning"
        variant="outlined"
        sx={{ borderRadius: 0 }}
        action={
          <Button size="small" onClick={undo}>
            Undo
          </Button>
        }
      >
        {standing.problems.map(problemLine).join(' ')} Your change stays in this browser and is sent as soon as this is
        mended.
      </Alert>
    )
  if (standing.kind === 'waiting')
    return (
      <Alert severity="warning" variant="outlined" sx={{ borderRadius: 0 }}>
        {standing.why === 'signed-out'
          ? 'You are signed out. Your change is kept in this browser; sign in again in another tab and it is sent.'
          : 'The server cannot be reached. Your change is kept in this browser and is sent as soon as the server answers.'}
      </Alert>
    )
  return null
}
