import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import type { Action } from '@/core/controller/dialIn'
import { markCannot } from '@/core/installation/dialProgress'
import { Notice } from '@/ui/Notice'
import { TextButton } from '@/ui/TextButton'
import { useWorkingCopy } from '@/ui/workingCopy/context'

type CannotProps = { action: Action; reason: string | null; onSaid: () => void }

const SHORTEST_REASON = 3

/** That it cannot be done here, with why; it stays open everywhere, with its reason. */
export function Cannot({ action, reason, onSaid }: CannotProps) {
  const edit = useWorkingCopy((state) => state.edit)
  const [isAsking, setIsAsking] = useState(false)
  const [text, setText] = useState('')
  const put = (why: string) =>
    edit(why === '' ? 'can be done after all' : 'cannot be done here', ({ dial }) => markCannot(dial, action, why))
  if (reason !== null)
    return (
      <Notice title="Cannot be done here.">
        {reason} <TextButton onClick={() => put('')}>It can after all</TextButton>
      </Notice>
    )
  if (!isAsking) return <TextButton onClick={() => setIsAsking(true)}>Cannot be done here, because…</TextButton>
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', my: 1 }}>
      <TextField
        label="Why it cannot be done here"
        value={text}
        onChange={(event) => setText(event.target.value)}
        size="small"
        sx={{ flex: 1, minWidth: 220 }}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
      <Button
        variant="outlined"
        disabled={text.trim().length < SHORTEST_REASON}
        onClick={() => {
          put(text.trim())
          onSaid()
        }}
        sx={{ minHeight: 44 }}
      >
        Keep it open, with that
      </Button>
    </Box>
  )
}
