'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { Section } from '@/features/account/Section'
import { authAsk, authClient } from '@/ui/authClient'
import { TextButton } from '@/ui/TextButton'

/** Passkeys of this account: signing in by the lock of the device. */
export function Passkeys() {
  const { data: keys, refetch } = authClient.useListPasskeys()
  const [message, setMessage] = useState<string | null>(null)
  async function act(work: () => Promise<string | null>): Promise<void> {
    setMessage(await work())
    void refetch()
  }
  return (
    <Section title="Passkeys">
      {message !== null && (
        <Alert severity="error" variant="outlined">
          {message}
        </Alert>
      )}
      {(keys ?? []).map(({ id, name, deviceType }) => (
        <Box key={id} sx={{ display: 'flex', gap: 2, borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            {name ?? deviceType}
          </Typography>
          <TextButton
            label={`Remove passkey ${name ?? deviceType}`}
            onClick={() => void act(() => authAsk(() => authClient.passkey.deletePasskey({ id })))}
          >
            Remove
          </TextButton>
        </Box>
      ))}
      <Button
        variant="outlined"
        sx={{ mt: 1 }}
        onClick={() => void act(() => authAsk(() => authClient.passkey.addPasskey({ name: 'This device' })))}
      >
        Add a passkey of this device
      </Button>
    </Section>
  )
}
