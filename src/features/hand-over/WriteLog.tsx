'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'

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
  const [message, setMessage] = useState<string | null>(null)
  const [entryId, setEntryId] = useState<string | null>(null)

  async function onSubmit(event: FormEvent): Promise<void> {
    event.preventDefault()
    const id = entryId ?? crypto.randomUUID()
    setEntryId(id)
    const answer = await onWrite({ id, installationId, text }).catch((): Answer => NO_ANSWER)
    setMessage(answer.kind === 'done' ? null : whyNot(answer))
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
      {message !== null && (
        <Typography variant="body2" sx={{ color: 'error.main' }}>
          {message}
        </Typography>
      )}
      <Button type="submit" size="small" variant="outlined" sx={{ mt: 0.75 }}>
        Write
      </Button>
    </Box>
  )
}
