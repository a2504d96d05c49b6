'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import type { Answer } from '@/features/hand-over/HandOverStage'

/** A line for the log: what was seen, said or left. */
export function WriteLog({
  installationId,
  onWrite,
}: {
  installationId: string
  onWrite: (input: unknown) => Promise<Answer>
}) {
  const router = useRouter()
  const [text, setText] = useState('')
  const [hasFailed, setFailed] = useState(false)
  const [entryId, setEntryId] = useState<string | null>(null)

  async function onSubmit(event: FormEvent): Promise<void> {
    event.preventDefault()
    const id = entryId ?? crypto.randomUUID()
    setEntryId(id)
    const answer = await onWrite({ id, installationId, text }).catch((): Answer => ({ kind: 'unavailable' }))
    setFailed(answer.kind !== 'done')
    if (answer.kind !== 'done') return
    setEntryId(null)
    setText('')
    router.refresh()
  }

  return (
    <Box component="form" onSubmit={(event) => void onSubmit(event)} sx={{ mb: 1.5 }}>
      <TextField
        label="Write into the log"
        value={text}
        onChange={(event) => setText(event.target.value)}
        required
        multiline
        size="small"
        fullWidth
        slotProps={{ htmlInput: { maxLength: 1000 } }}
      />
      {hasFailed && (
        <Typography variant="body2" sx={{ color: 'error.main' }}>
          It could not be written just now; the text is still here.
        </Typography>
      )}
      <Button type="submit" size="small" variant="outlined" sx={{ mt: 0.75 }}>
        Write
      </Button>
    </Box>
  )
}
