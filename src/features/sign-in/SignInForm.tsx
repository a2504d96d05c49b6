'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Link from '@mui/material/Link'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState, type FormEvent } from 'react'

type Props = { demoEmail: string | null; onDemo: () => Promise<void> }

/** Signs in or up by the sign-in service; the message is a sentence, and what was typed stays. */
async function ask(path: 'sign-in' | 'sign-up', body: object): Promise<string | null> {
  try {
    const answer = await fetch(`/api/auth/${path}/email`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (answer.ok) return null
    if (answer.status === 429) return 'Too many tries; wait a minute and try again.'
    if (answer.status >= 500)
      return 'The server cannot answer just now; what you typed is still here. Try again in a moment.'
    const said = (await answer.json().catch(() => ({}))) as { message?: string }
    return path === 'sign-in'
      ? 'This e-mail and password do not belong together.'
      : (said.message ?? 'This could not be done.')
  } catch {
    return 'The server cannot be reached; what you typed is still here. Try again in a moment.'
  }
}

export function SignInForm({ demoEmail, onDemo }: Props) {
  const [isNew, setNew] = useState(false)
  const [message, setMessage] = useState<string | null>(null)
  const [isAsking, setAsking] = useState(false)

  async function onSubmit(event: FormEvent<HTMLFormElement>): Promise<void> {
    event.preventDefault()
    const { name, email, password } = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>
    setAsking(true)
    const problem = await ask(isNew ? 'sign-up' : 'sign-in', isNew ? { name, email, password } : { email, password })
    setAsking(false)
    setMessage(problem)
    // A full load, so that nothing of the stranger's page is kept.
    if (problem === null) window.location.assign('/yard')
  }

  return (
    <Box
      component="main"
      sx={{ minHeight: '100vh', display: 'grid', placeItems: 'center', bgcolor: 'ground.paper', p: 2 }}
    >
      <Box
        sx={{
          width: '100%',
          maxWidth: 400,
          bgcolor: 'ground.sheet',
          borderTop: '4px solid',
          borderColor: 'cause.speed',
          p: 3,
        }}
      >
        <Typography variant="h1" component="h1">
          Soft Gale
        </Typography>
        <Typography sx={{ color: 'text.secondary', mb: 2 }}>
          Fan speed controllers, from the brief to a sealed and proved setting.
        </Typography>
        {demoEmail !== null && (
          <Box component="form" action={onDemo} sx={{ mb: 2 }}>
            <Button type="submit" variant="contained" fullWidth>
              Open the demo yard
            </Button>
            <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
              Made-up people and places; signs in as {demoEmail}.
            </Typography>
          </Box>
        )}
        <Box
          component="form"
          onSubmit={(event: FormEvent<HTMLFormElement>) => void onSubmit(event)}
          sx={{ display: 'grid', gap: 1.5 }}
        >
          {isNew && <TextField name="name" label="Your name" required size="small" autoComplete="name" />}
          <TextField name="email" label="E-mail" type="email" required size="small" autoComplete="email" />
          <TextField
            name="password"
            label="Password"
            type="password"
            required
            size="small"
            autoComplete={isNew ? 'new-password' : 'current-password'}
            helperText={isNew ? 'At least 10 characters' : undefined}
          />
          {message !== null && (
            <Alert severity="error" variant="outlined">
              {message}
            </Alert>
          )}
          <Button type="submit" variant="outlined" disabled={isAsking}>
            {isNew ? 'Make my workspace' : 'Sign in'}
          </Button>
        </Box>
        <Link
          component="button"
          type="button"
          variant="body2"
          onClick={() => setNew(!isNew)}
          sx={{ mt: 1.5, minHeight: 44 }}
        >
          {isNew ? 'I have an account already' : 'New here: make a workspace of your own'}
        </Link>
      </Box>
    </Box>
  )
}
