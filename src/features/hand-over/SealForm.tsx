'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { enqueueSnackbar } from 'notistack'
import { useState, type FormEvent } from 'react'
import { openText, type OpenItem } from '@/core/record/stillOpen'
import { StillOpen } from '@/features/hand-over/StillOpen'
import { NO_ANSWER, whyNot, type Answer as Refusable } from '@/ui/answer'
import { useWorkingCopy } from '@/ui/workingCopy/context'

export type Answer = Refusable & { number?: number }

type Props = {
  installationId: string
  next: number
  open: readonly OpenItem[]
  /** What the last seal left open: why a danger stayed then stands in for why it stays now. */
  before: readonly OpenItem[]
  onSeal: (input: unknown) => Promise<Answer>
}

const REFUSALS: Record<string, string> = {
  invalid: 'A seal needs a reason of a few words: what was done, and why. So does each danger that stays.',
  behind: 'The working copy has changed since this page was opened. Look at the changes again, then seal.',
}

/** Seals what is kept, with a reason, and writes on it what is open; nobody can change it afterwards. */
export function SealForm({ installationId, next, open, before, onSeal }: Props) {
  const router = useRouter()
  const standing = useWorkingCopy((state) => state.standing.kind)
  const version = useWorkingCopy((state) => state.version)
  const [reason, setReason] = useState('')
  const [stays, setStays] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(before.flatMap(({ key, reason: why }) => (why === undefined ? [] : [[key, why]]))),
  )
  const [message, setMessage] = useState<string | null>(null)
  // One id until it is sealed: pressing twice, or again after a broken line, makes one seal.
  const [sealId, setSealId] = useState<string | null>(null)

  async function onSubmit(event: FormEvent): Promise<void> {
    event.preventDefault()
    const id = sealId ?? crypto.randomUUID()
    setSealId(id)
    const dangers = open.filter(({ kind }) => kind === 'danger')
    const input = {
      id,
      installationId,
      version,
      reason,
      stays: dangers.map(({ key }) => ({ danger: key, reason: stays[key] ?? '' })),
    }
    const answer = await onSeal(input).catch((): Answer => NO_ANSWER)
    if (answer.kind !== 'done') {
      setMessage(REFUSALS[answer.kind] ?? `${whyNot(answer)} Nothing was sealed.`)
      return
    }
    setSealId(null)
    setReason('')
    setMessage(null)
    enqueueSnackbar(`Revision ${answer.number ?? next} is sealed.`)
    router.refresh()
  }

  return (
    <Box
      component="form"
      onSubmit={(event) => void onSubmit(event)}
      sx={{ mt: 2, display: 'grid', gap: 1, maxWidth: 640 }}
    >
      <StillOpen
        open={open}
        stays={stays}
        onStays={(danger, why) => setStays((known) => ({ ...known, [danger]: why }))}
      />
      <TextField
        label="Reason for this seal"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        required
        size="small"
        slotProps={{ htmlInput: { minLength: 3, maxLength: 300 } }}
        placeholder="Start of ramp lowered after warm weekend"
      />
      {message !== null && (
        <Alert severity="error" variant="outlined">
          {message}
        </Alert>
      )}
      {open.length > 0 && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          The record will say: sealed with {openText(open)}.
        </Typography>
      )}
      <Box>
        <Button type="submit" variant="contained" disabled={standing !== 'kept'}>
          Seal revision {next}
        </Button>{' '}
        {standing !== 'kept' && 'waits until the last change is kept'}
      </Box>
    </Box>
  )
}
