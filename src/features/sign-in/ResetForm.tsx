'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'
import { useState, type FormEvent } from 'react'
import { LEAST_PASSWORD, PasswordField } from '@/features/sign-in/CheckedField'
import { authAsk, authClient } from '@/ui/authClient'
import { SmallSheet } from '@/ui/SmallSheet'
import { SubmitButton } from '@/ui/SubmitButton'

/** Sets a new password by the token of a letter. Every other session ends with it. */
export function ResetForm({ token }: { token: string }) {
  const [message, setMessage] = useState<string | null>(
    token === '' ? 'This link is used up or too old. Ask for another on the sign-in page.' : null,
  )
  const [isDone, setDone] = useState(false)
  async function onSubmit(event: FormEvent<HTMLFormElement>): Promise<void> {
    event.preventDefault()
    const { password: newPassword = '' } = Object.fromEntries(new FormData(event.currentTarget)) as Record<
      string,
      string
    >
    const problem = await authAsk(() => authClient.resetPassword({ newPassword, token }))
    setMessage(problem)
    setDone(problem === null)
  }
  return (
    <SmallSheet title="A new password">
      {isDone ? (
        <Typography role="status">
          It is set, and every session of this account is ended. <Link href="/sign-in">Sign in with it</Link>.
        </Typography>
      ) : (
        <Box component="form" onSubmit={(event) => void onSubmit(event)} sx={{ display: 'grid', gap: 1.5, mt: 2 }}>
          <PasswordField
            name="password"
            label="New password"
            autoComplete="new-password"
            minLength={LEAST_PASSWORD}
            helperText="At least 10 characters; three or four words do well"
          />
          {message !== null && (
            <Alert severity="error" variant="outlined">
              {message}
            </Alert>
          )}
          <SubmitButton variant="contained">Set it</SubmitButton>
          <Link href="/sign-in" variant="body2">
            To the sign-in page
          </Link>
        </Box>
      )}
    </SmallSheet>
  )
}
