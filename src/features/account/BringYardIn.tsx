'use client'

import Alert from '@mui/material/Alert'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { Section } from '@/features/account/Section'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { FileButton } from '@/ui/FileButton'
import { useSending } from '@/ui/useSending'

type Made = Answer & {
  readonly counted?: { readonly installations: number; readonly controllers: number; readonly readings: number }
  readonly left?: readonly string[]
}

/** Makes a yard of one’s own of the file another server wrote. */
export function BringYardIn() {
  const [made, setMade] = useState<Made | null>(null)
  const [isSending, send] = useSending(async (file: File) => {
    const answer = await fetch('/api/workspace', { method: 'POST', body: file })
      .then((answer) => answer.json() as Promise<Made>)
      .catch((): Made => NO_ANSWER)
    setMade(answer)
  })
  return (
    <Section title="A yard from another server">
      <Typography variant="body2" sx={{ mb: 1 }}>
        The workspace.zip that an owner took out there becomes a yard of yours here; choose it in the menu under your
        name.
      </Typography>
      <FileButton
        label="Workspace file"
        accept=".zip,application/zip"
        onFile={send}
        variant="outlined"
        disabled={isSending}
      >
        {isSending ? 'Bringing it in…' : 'Choose the file…'}
      </FileButton>
      {made && (
        <Alert severity={made.kind === 'done' ? 'success' : 'error'} variant="outlined" sx={{ mt: 1 }}>
          {made.kind === 'done'
            ? `${made.counted?.installations ?? 0} installations, ${made.counted?.controllers ?? 0} controllers and ${made.counted?.readings ?? 0} readings files are in. Load the page again to see the yard in the menu.`
            : whyNot(made)}
          {made.left?.map((line) => (
            <div key={line}>Left out: {line}</div>
          ))}
        </Alert>
      )}
    </Section>
  )
}
