'use client'

import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { SmallSheet } from '@/ui/SmallSheet'

type Props = {
  /** Null where the link cannot be used any more. */
  invitation: { readonly workspace: string; readonly role: string; readonly madeBy: string } | null
  isMember: boolean
  /** Null where nobody is signed in. */
  personName: string | null
  signInPath: string
  workspaceId: string
  token: string
  onJoin: (input: { workspaceId: string; token: string }) => Promise<Answer>
}

/** Says who invites to what, and joins. */
export function JoinPage({ invitation, isMember, personName, signInPath, workspaceId, token, onJoin }: Props) {
  const [message, setMessage] = useState<string | null>(null)
  async function join(): Promise<void> {
    const answer = await onJoin({ workspaceId, token }).catch(() => NO_ANSWER)
    if (answer.kind === 'done') window.location.assign('/yard')
    else setMessage(answer.kind === 'unknown' ? 'This link has just been used up.' : whyNot(answer))
  }
  if (isMember)
    return (
      <SmallSheet title="You belong to it already">
        <Typography sx={{ my: 2 }}>There is nothing left to do.</Typography>
        <Button variant="contained" onClick={() => void join()}>
          Open that yard
        </Button>
      </SmallSheet>
    )
  if (!invitation)
    return (
      <SmallSheet title="This link is used up">
        <Typography sx={{ my: 2 }}>
          An invitation is good once, and for a week. Ask whoever sent it for another.
        </Typography>
        <Link href="/yard">To the yard</Link>
      </SmallSheet>
    )
  return (
    <SmallSheet title={invitation.workspace}>
      <Typography sx={{ my: 2 }}>
        {invitation.madeBy} invites you to this yard as <b>{invitation.role}</b>. Your own yard stays as it is; you
        choose between them in the menu under your name.
      </Typography>
      {message !== null && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {message}
        </Alert>
      )}
      {personName === null ? (
        <Button variant="contained" href={signInPath}>
          Sign in, or make an account, and join
        </Button>
      ) : (
        <Button variant="contained" onClick={() => void join()}>
          Join as {personName}
        </Button>
      )}
    </SmallSheet>
  )
}
