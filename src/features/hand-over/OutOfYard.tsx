'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { SideHeading } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'

type Props = {
  installationId: string
  name: string
  isSealed: boolean
  onPlace: (input: unknown) => Promise<Answer>
}

/** Takes an installation out of the yard; what that means is said before it is done. */
export function OutOfYard({ installationId, name, isSealed, onPlace }: Props) {
  const router = useRouter()
  const [isSure, setSure] = useState(false)
  const [typed, setTyped] = useState('')
  const [message, setMessage] = useState<string | null>(null)
  async function go(place: 'aside' | 'deleted'): Promise<void> {
    const answer = await onPlace({ kind: 'installation', id: installationId, place }).catch(() => NO_ANSWER)
    if (answer.kind === 'done') router.push('/yard')
    else setMessage(whyNot(answer))
  }
  return (
    <Box component="section" aria-label="Out of the yard">
      <SideHeading>Out of the yard</SideHeading>
      <Typography variant="body2">
        Archived, it leaves the lists; nothing of it is lost, and the yard brings it back.
      </Typography>
      <TextButton label="Archive this installation" onClick={() => void go('aside')}>
        Archive it
      </TextButton>
      <Typography variant="body2" sx={{ mt: 1 }}>
        {isSealed
          ? 'It was sealed: it can be archived, never deleted.'
          : 'Deleted it can be brought back for 30 days; then its papers, checks and readings are gone for good. Its lines in the log stay.'}
      </Typography>
      {!isSealed &&
        (isSure ? (
          <>
            <TextField
              label="Its name, to delete it"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              size="small"
              fullWidth
              sx={{ my: 1 }}
              helperText={`Type “${name}”.`}
            />
            <Button
              size="small"
              variant="outlined"
              color="error"
              disabled={typed.trim() !== name.trim()}
              onClick={() => void go('deleted')}
            >
              Delete this installation
            </Button>{' '}
            <TextButton label="Keep this installation" onClick={() => setSure(false)}>
              Keep it
            </TextButton>
          </>
        ) : (
          <TextButton label="Delete this installation…" onClick={() => setSure(true)}>
            Delete it…
          </TextButton>
        ))}
      {message !== null && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {message}
        </Alert>
      )}
    </Box>
  )
}
