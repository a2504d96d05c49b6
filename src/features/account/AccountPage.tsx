'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent, type ReactNode } from 'react'
import { BringYardIn } from '@/features/account/BringYardIn'
import { Passkeys } from '@/features/account/Passkeys'
import { SecondFactor } from '@/features/account/SecondFactor'
import { Section } from '@/features/account/Section'
import { TextButton } from '@/ui/TextButton'
import { authAsk, authClient } from '@/ui/authClient'
import { Moment } from '@/ui/Moment'
import { SubmitButton } from '@/ui/SubmitButton'

type Props = {
  name: string
  email: string
  sessions: readonly {
    readonly id: string
    readonly token: string
    readonly device: string
    readonly address: string
    readonly seenAt: string
    readonly isThis: boolean
  }[]
  hasSecondFactor: boolean
  hasPasskeys: boolean
  lettersPath: string | null
  /** How figures are shown. */
  units: ReactNode
}

/** Everything about one’s own account. */
export function AccountPage({ name, email, sessions, hasSecondFactor, hasPasskeys, lettersPath, units }: Props) {
  const router = useRouter()
  const [answer, setAnswer] = useState<{ text: string; isGood: boolean } | null>(null)
  const act: Act = async (work, done) => {
    const problem = await work()
    setAnswer({ text: problem ?? done, isGood: problem === null })
    if (problem === null) router.refresh()
  }
  const letter = lettersPath === null ? '' : ' This server has no mail: look into its mail stand-in.'
  return (
    <Box
      component="main"
      sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: { xs: 1.75, sm: 2.5 }, py: 2 }}
    >
      <Box sx={{ maxWidth: 640 }}>
        <Typography variant="h1">Your account</Typography>
        {answer && (
          <Alert severity={answer.isGood ? 'success' : 'error'} variant="outlined" sx={{ my: 1 }}>
            {answer.text}
          </Alert>
        )}
        <OneForm
          title="Name"
          fields={[{ name: 'name', label: 'Your name', value: name, most: 80 }]}
          button="Keep"
          onSubmit={({ name: next = '' }) =>
            act(
              () => authAsk(() => authClient.updateUser({ name: next })),
              'Your name is kept. What you did before stays under the old one.',
            )
          }
        />
        {units}
        <OneForm
          title="Address"
          fields={[{ name: 'email', label: 'E-mail', value: email, type: 'email', most: 254 }]}
          button="Change"
          onSubmit={({ email: newEmail = '' }) =>
            act(
              () => authAsk(() => authClient.changeEmail({ newEmail, callbackURL: '/account' })),
              `A letter went to ${email}: open its link, then that in the letter to the new address.${letter}`,
            )
          }
        />
        <OneForm
          title="Password"
          about="The new one has at least 10 characters."
          fields={[
            { name: 'old', label: 'Password now', type: 'password', complete: 'current-password' },
            { name: 'new', label: 'New password', type: 'password', complete: 'new-password' },
          ]}
          button="Change"
          onSubmit={({ old: currentPassword = '', new: newPassword = '' }) =>
            act(
              () =>
                authAsk(() => authClient.changePassword({ currentPassword, newPassword, revokeOtherSessions: true })),
              'The password is changed; every other session is ended.',
            )
          }
        />
        <SecondFactor isOn={hasSecondFactor} onChange={() => router.refresh()} />
        {hasPasskeys && <Passkeys />}
        <Sessions sessions={sessions} act={act} />
        <Section title="What is kept about you">
          <a href="/api/me" download>
            Export everything of mine
          </a>
        </Section>
        <BringYardIn />
        <OneForm
          title="Delete the account"
          about="Your name stays in the log and on what you sealed; everything else about you goes at once. Yards that only you belong to stay archived on the server. Make somebody else an owner first where you are the only one."
          fields={[{ name: 'password', label: 'Password, to delete', type: 'password', complete: 'current-password' }]}
          button="Delete my account"
          onSubmit={({ password = '' }) =>
            act(async () => {
              const problem = await authAsk(() => authClient.deleteUser({ password }))
              if (problem === null) window.location.assign('/sign-in')
              return problem
            }, 'The account is deleted.')
          }
        />
      </Box>
    </Box>
  )
}

type Act = (work: () => Promise<string | null>, done: string) => Promise<void>

/** Every device that is signed in, and the way to end it there. */
const Sessions = ({ sessions, act }: Pick<Props, 'sessions'> & { act: Act }) => (
  <Section title="Where you are signed in">
    {sessions.map(({ id, token, device, address, seenAt, isThis }) => (
      <Box key={id} sx={{ display: 'flex', gap: 2, borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
        <Typography variant="body2" sx={{ flex: 1 }}>
          {device}
          {address && `, from ${address}`}, <Moment at={seenAt} />
        </Typography>
        {isThis ? (
          <Typography variant="body2">this one</Typography>
        ) : (
          <TextButton
            label={`Sign out ${device}`}
            onClick={() => void act(() => authAsk(() => authClient.revokeSession({ token })), 'It is signed out.')}
          >
            Sign out
          </TextButton>
        )}
      </Box>
    ))}
    {sessions.length > 1 && (
      <Button
        size="small"
        sx={{ mt: 1 }}
        onClick={() =>
          void act(() => authAsk(() => authClient.revokeOtherSessions()), 'You are signed out everywhere else.')
        }
      >
        Sign out everywhere else
      </Button>
    )}
  </Section>
)

type Field = { name: string; label: string; value?: string; type?: string; complete?: string; most?: number }
type FormProps = {
  title: string
  about?: string
  fields: readonly Field[]
  button: string
  onSubmit: (typed: Record<string, string>) => Promise<void>
}

function OneForm({ title, about, fields, button, onSubmit }: FormProps) {
  function submit(event: FormEvent<HTMLFormElement>): void {
    event.preventDefault()
    const form = event.currentTarget
    const secrets = fields.filter(({ type }) => type === 'password').map((field) => field.name)
    void onSubmit(Object.fromEntries(new FormData(form)) as Record<string, string>).then(() => {
      for (const secret of secrets) (form.elements.namedItem(secret) as HTMLInputElement).value = ''
    })
  }
  return (
    <Section title={title}>
      {about !== undefined && (
        <Typography variant="body2" sx={{ mb: 1 }}>
          {about}
        </Typography>
      )}
      <Box component="form" onSubmit={submit} sx={{ display: 'grid', gap: 1, maxWidth: 420 }}>
        {fields.map(({ name, label, value, type, complete, most }) => (
          <TextField
            key={`${name} ${value ?? ''}`}
            name={name}
            label={label}
            defaultValue={value}
            type={type}
            required
            size="small"
            autoComplete={complete}
            slotProps={{ htmlInput: { maxLength: most ?? 128 } }}
          />
        ))}
        <SubmitButton variant="outlined" sx={{ justifySelf: 'start' }}>
          {button}
        </SubmitButton>
      </Box>
    </Section>
  )
}
