'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { MadeLink } from '@/ui/MadeLink'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { SubmitButton } from '@/ui/SubmitButton'

export type RoleChoice = { readonly id: string; readonly says: string }

type Made = { readonly link: string; readonly qrSvg: string; readonly email: string }
type Props = {
  roles: readonly RoleChoice[]
  onInvite: (input: unknown) => Promise<Answer & { link?: string; qrSvg?: string }>
}

/** Makes a link for one person, to copy, to print or to scan; with an address it goes by letter too. */
export function InviteForm({ roles, onInvite }: Props) {
  const router = useRouter()
  const [made, setMade] = useState<Made | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  // One id until it is made: pressing twice makes one invitation.
  const [id, setId] = useState<string | null>(null)

  async function onSubmit(event: FormEvent<HTMLFormElement>): Promise<void> {
    event.preventDefault()
    const { role = '', email = '' } = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>
    const inviteId = id ?? crypto.randomUUID()
    setId(inviteId)
    const answer = await onInvite({ id: inviteId, role, email: email.trim() }).catch(
      (): Answer & { link?: string; qrSvg?: string } => NO_ANSWER,
    )
    const isDone = answer.kind === 'done'
    setMessage(isDone ? null : whyNot(answer))
    if (!isDone) return
    setId(null)
    setMade({ link: answer.link ?? '', qrSvg: answer.qrSvg ?? '', email })
    router.refresh()
  }

  return (
    <Box component="section" aria-label="Invite somebody" sx={{ mt: 3 }}>
      <Typography variant="h2">Invite somebody</Typography>
      <Box
        component="form"
        onSubmit={(event) => void onSubmit(event)}
        sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}
      >
        <TextField
          name="role"
          label="As"
          select
          size="small"
          defaultValue="technician"
          sx={{ minWidth: 150 }}
          slotProps={{ inputLabel: { shrink: true } }}
        >
          {roles.map(({ id: role }) => (
            <MenuItem key={role} value={role}>
              {role}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          name="email"
          label="E-mail, if a letter should go"
          type="email"
          size="small"
          sx={{ flex: 1, minWidth: 220 }}
        />
        <SubmitButton variant="outlined">Make a link</SubmitButton>
      </Box>
      {message !== null && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {message}
        </Alert>
      )}
      {made && (
        <MadeLink link={made.link} qrSvg={made.qrSvg} of="the invitation">
          Good once, for a week{made.email && `; a letter is on its way to ${made.email}`}.
        </MadeLink>
      )}
    </Box>
  )
}
