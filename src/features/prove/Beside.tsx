'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { AddPhoto } from '@/ui/onSite/AddPhoto'
import type { ShownPhoto } from '@/ui/onSite/pack'
import { TextButton } from '@/ui/TextButton'

type Props = {
  installationId: string
  checkId: string
  title: string
  note: string
  onNote: (text: string) => void
  photos: readonly ShownPhoto[]
  /** Keeps the check as one that cannot be done here. */
  onNotPossible: (why: string) => void
}

/** What stands beside a reading: what was found, a picture, and that it cannot be done here. */
export function Beside({ installationId, checkId, title, note, onNote, photos, onNotPossible }: Props) {
  const [isAsking, setAsking] = useState(false)
  const [why, setWhy] = useState('')
  return (
    <Box component="section" aria-label="Beside the reading" sx={{ display: 'grid', gap: 1, mt: 1.5 }}>
      <TextField
        label="Found, or noted"
        value={note}
        onChange={(event) => onNote(event.target.value)}
        size="small"
        multiline
        slotProps={{ htmlInput: { maxLength: 1000 } }}
      />
      <AddPhoto installationId={installationId} about={`check ${checkId}`} caption={title} photos={photos} />
      {isAsking ? (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <TextField
            label="Why it is not possible here"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
            size="small"
            sx={{ flex: 1, minWidth: 220 }}
            slotProps={{ htmlInput: { minLength: 3, maxLength: 300 } }}
          />
          <Button variant="outlined" disabled={why.trim().length < 3} onClick={() => onNotPossible(why.trim())}>
            Keep as not possible
          </Button>
        </Box>
      ) : (
        <TextButton onClick={() => setAsking(true)}>Not possible here…</TextButton>
      )}
    </Box>
  )
}
