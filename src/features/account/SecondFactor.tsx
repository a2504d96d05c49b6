'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { toString as qrCode } from 'qrcode'
import { useState, type FormEvent } from 'react'
import { Section } from '@/features/account/Section'
import { authAsk, authClient } from '@/ui/authClient'
import { MONO } from '@/ui/theme'
import { SubmitButton } from '@/ui/SubmitButton'

type Setup = { readonly uri: string; readonly svg: string; readonly spare: readonly string[] }

/** A second factor: a code from an application on the phone, asked for beside the password. */
export function SecondFactor({ isOn, onChange }: { isOn: boolean; onChange: () => void }) {
  const [setup, setSetup] = useState<Setup | null>(null)
  const [message, setMessage] = useState<string | null>(null)

  async function begin(password: string): Promise<string | null> {
    let made: { totpURI: string; backupCodes: string[] } | null = null
    const problem = await authAsk(async () => {
      const answer = await authClient.twoFactor.enable({ password })
      made = answer.data as typeof made
      return answer
    })
    const { totpURI: uri, backupCodes: spare } = made ?? { totpURI: '', backupCodes: [] }
    if (problem === null) setSetup({ uri, spare, svg: await qrCode(uri, { type: 'svg', margin: 2 }) })
    return problem
  }

  async function onSubmit(event: FormEvent<HTMLFormElement>): Promise<void> {
    event.preventDefault()
    const form = event.currentTarget
    const { password = '', code = '' } = Object.fromEntries(new FormData(form)) as Record<string, string>
    const problem = isOn
      ? await authAsk(() => authClient.twoFactor.disable({ password }))
      : setup
        ? await authAsk(() => authClient.twoFactor.verifyTotp({ code }))
        : await begin(password)
    setMessage(problem)
    form.reset()
    if (problem !== null || (!isOn && !setup)) return
    setSetup(null)
    onChange()
  }

  return (
    <Section title="Second factor">
      <Typography variant="body2" sx={{ mb: 1 }}>
        {isOn
          ? 'It is on: signing in asks for a code beside the password.'
          : 'A code from an application on your phone, asked for beside the password.'}
      </Typography>
      <Box component="form" onSubmit={(event) => void onSubmit(event)} sx={{ display: 'grid', gap: 1, maxWidth: 420 }}>
        {setup ? (
          <>
            <img
              src={`data:image/svg+xml;utf8,${encodeURIComponent(setup.svg)}`}
              alt="QR code of the second factor"
              width={180}
              height={180}
            />
            <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
              Scan it with your authenticator application, or type in {new URL(setup.uri).searchParams.get('secret')}.
              Spare codes, each good once; keep them on paper:
            </Typography>
            <Box component="code" sx={{ fontFamily: MONO, whiteSpace: 'pre-wrap' }}>
              {setup.spare.join('  ')}
            </Box>
            <TextField
              name="code"
              label="Code it shows now"
              required
              size="small"
              autoComplete="one-time-code"
              slotProps={{ htmlInput: { inputMode: 'numeric', pattern: '\\d{6}' } }}
            />
          </>
        ) : (
          <TextField
            name="password"
            label={isOn ? 'Password, to turn it off' : 'Password, to turn it on'}
            type="password"
            required
            size="small"
            autoComplete="current-password"
          />
        )}
        {message !== null && (
          <Alert severity="error" variant="outlined">
            {message}
          </Alert>
        )}
        <SubmitButton variant="outlined" sx={{ justifySelf: 'start' }}>
          {isOn ? 'Turn it off' : setup ? 'That is my code' : 'Turn it on'}
        </SubmitButton>
      </Box>
    </Section>
  )
}
