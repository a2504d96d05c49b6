'use client'

import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import type { FormEvent } from 'react'
import { usePutLog } from '@/ui/onSite/who'
import { forgetDraft, useDraft } from '@/ui/onSite/useDraft'
import { SubmitButton } from '@/ui/SubmitButton'

type Props = {
  installationId: string
  /** The entry that is put right; null where a new one is written. */
  corrects: { readonly id: string; readonly text: string } | null
  onWritten: () => void
}

/** A line for the log: what was seen, said or left; or one in the place of another, which stays, struck through. */
export function WriteLog({ installationId, corrects, onWritten }: Props) {
  const putLog = usePutLog()
  const draftKey = `log:${installationId}`
  const [text, setText] = useDraft(draftKey, '')

  async function onSubmit(event: FormEvent): Promise<void> {
    event.preventDefault()
    await putLog({ installationId, text, label: `a line for the log: ${text}`, corrects: corrects?.id })
    setText('')
    forgetDraft(draftKey)
    onWritten()
  }

  return (
    <Box component="form" onSubmit={(event) => void onSubmit(event)} sx={{ mb: 1.5 }}>
      <TextField
        label={corrects ? 'In its place' : 'Write into the log'}
        helperText={corrects && `Puts right: ${corrects.text}`}
        value={text}
        onChange={(event) => setText(event.target.value)}
        required
        multiline
        size="small"
        fullWidth
        slotProps={{ htmlInput: { maxLength: 1000 } }}
      />
      <SubmitButton size="small" variant="outlined" sx={{ mt: 0.75 }}>
        Write
      </SubmitButton>
    </Box>
  )
}
