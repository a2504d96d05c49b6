'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useState, type FormEvent } from 'react'
import { fingerprintOf, shortFingerprint } from '@/core/json/fingerprint'
import { sealState, sealStateText } from '@/core/record/sealState'
import { openText, type OpenItem } from '@/core/record/stillOpen'
import { StillOpen } from '@/features/hand-over/StillOpen'
import { Moment } from '@/ui/Moment'
import { useSignedSeals, type SignedSeal } from '@/ui/onSite/useResults'
import { usePutWork } from '@/ui/onSite/who'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'
import { SubmitButton } from '@/ui/SubmitButton'

// Fetched where somebody signs, and nowhere else.
const SignaturePad = dynamic(() => import('@/features/hand-over/SignaturePad').then((module) => module.SignaturePad), {
  ssr: false,
})

type Props = {
  installationId: string
  next: number
  open: readonly OpenItem[]
  /** What the last seal left open: why a danger stayed then stands in for why it stays now. */
  before: readonly OpenItem[]
}

/** Why the first is sealed needs no thought; it may be written over. */
const FIRST_REASON = 'First setting'

/** Its first field, for whoever comes here by Enter. */
export const REASON_ID = 'reason-for-this-seal'

/** What hinders a signature: the page does not have what would be sealed. */
const HINDERED: Readonly<Record<string, string>> = {
  contradicts: 'Mend what contradicts itself first; it is said above.',
  behind: 'Somebody changed the same as you; decide above which stands.',
  forbidden: 'What you changed here is not kept anywhere.',
}

/** Signs what stands here, with a reason, and what is open on it. It is sealed at once where there is signal, and otherwise as soon as there is:
 *  what was signed is known by its fingerprint, and nothing else is ever sealed in its place. */
export function SealForm({ installationId, next, open, before }: Props) {
  const document = useDocument()
  const settle = useWorkingCopy((state) => state.settle)
  const standing = useWorkingCopy((state) => state.standing.kind)
  const put = usePutWork()
  const signed = useSignedSeals(installationId)
  const [reason, setReason] = useState(next === 1 ? FIRST_REASON : '')
  const [signature, setSignature] = useState<string | null>(null)
  const [stays, setStays] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(before.flatMap(({ key, reason: why }) => (why === undefined ? [] : [[key, why]]))),
  )
  const [message, setMessage] = useState<string | null>(null)
  const hindered = HINDERED[standing]
  const stands = sealState(open.map((item) => (item.kind === 'danger' ? { ...item, reason: stays[item.key] } : item)))

  async function onSubmit(event: FormEvent): Promise<void> {
    event.preventDefault()
    settle()
    const id = crypto.randomUUID()
    const dangers = open.filter(({ kind }) => kind === 'danger')
    const signedAt = new Date().toISOString()
    try {
      const fingerprint = await fingerprintOf(document)
      await put({
        id,
        installationId,
        kind: 'seal',
        label: `the seal of revision ${next}: ${reason}`,
        input: {
          ...{ id, installationId, fingerprint, reason, signedAt },
          ...(signature && { signature }),
          stays: dangers.map(({ key }) => ({ danger: key, reason: stays[key] ?? '' })),
        },
        shown: { number: next, reason, signedAt, fingerprint },
      })
    } catch {
      setMessage('This browser could not keep what you signed. Nothing was sealed; try again.')
      return
    }
    setReason('')
    setMessage(null)
  }

  if (signed.length > 0)
    return (
      <>
        {signed.map((seal) => (
          <Signed key={seal.seq} seal={seal} />
        ))}
      </>
    )
  return (
    <Box
      component="form"
      aria-label="Sign and seal"
      onSubmit={(event) => void onSubmit(event)}
      sx={{ mt: 2, display: 'grid', gap: 1, maxWidth: 640 }}
    >
      <StillOpen
        open={open}
        stays={stays}
        onStays={(danger, why) => setStays((known) => ({ ...known, [danger]: why }))}
      />
      <TextField
        id={REASON_ID}
        label="Reason for this seal"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        required
        size="small"
        slotProps={{ htmlInput: { minLength: 3, maxLength: 300 } }}
        placeholder="Start of ramp lowered after warm weekend"
      />
      <SignaturePad onSigned={setSignature} />
      {message !== null && (
        <Alert severity="error" variant="outlined">
          {message}
        </Alert>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        The record will say: {sealStateText(stands)}
        {open.length > 0 && `; with ${openText(open)}`}.
      </Typography>
      <Box>
        <SubmitButton
          variant={stands.kind === 'proved' ? 'contained' : 'outlined'}
          disabled={hindered !== undefined}
          sx={{ minHeight: { xs: 56, md: 36 } }}
        >
          Seal revision {next}:{' '}
          {stands.kind === 'proved' ? 'proved' : `not proved (${'open' in stands ? stands.open : 0} open)`}
        </SubmitButton>{' '}
        {hindered}
      </Box>
    </Box>
  )
}

const Signed = ({ seal: { number, reason, fingerprint, signedAt, isSent } }: { seal: SignedSeal }) => (
  <Alert severity={isSent ? 'success' : 'info'} variant="outlined" sx={{ mt: 2 }}>
    <b>{isSent ? `Revision ${number} is sealed.` : 'Signed, waiting.'}</b> {reason} Signed <Moment at={signedAt} />,
    fingerprint {shortFingerprint(fingerprint)}.{' '}
    {!isSent &&
      'It is sealed as soon as the server can be reached, if the working copy is then still what was signed: a change from now on has to be signed again.'}
  </Alert>
)
