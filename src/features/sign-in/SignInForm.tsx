'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Link from '@mui/material/Link'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState, type FormEvent } from 'react'
import { CheckedField, LEAST_PASSWORD, PasswordField } from '@/features/sign-in/CheckedField'
import { SpeedRail } from '@/ui/rail/SpeedRail'
import { SmallSheet } from '@/ui/SmallSheet'
import { authAsk, authClient } from '@/ui/authClient'
import { SubmitButton } from '@/ui/SubmitButton'

type Props = {
  demoEmail: string | null
  onDemo: () => Promise<void>
  /** Where to go afterwards: a path of this server. */
  next: string
  hasPasskeys: boolean
  /** The page that shows what the mail stand-in wrote; null where there is real mail. */
  lettersPath: string | null
}

type Step = 'sign-in' | 'sign-up' | 'forgot' | 'second-factor' | 'letter'

const TITLES: Record<Step, string> = {
  'sign-in': 'Sign in',
  'sign-up': 'Make my workspace',
  forgot: 'Send me a letter',
  'second-factor': 'Go on',
  letter: '',
}

/** What came of asking: on to another step, in, or a sentence that says why not. */
type Outcome = { readonly to: Step } | 'in' | { readonly problem: string }

const outcome = (problem: string | null, then: Exclude<Outcome, { problem: string }>): Outcome =>
  problem === null ? then : { problem }

type Typed = Readonly<Record<string, string>>

async function signIn({ email = '', password = '' }: Typed, next: string): Promise<Outcome> {
  let isTwofold = false
  let isUnconfirmed = false
  const problem = await authAsk(async () => {
    const answer = await authClient.signIn.email({ email, password, callbackURL: next })
    isTwofold = (answer.data as { twoFactorRedirect?: boolean } | null)?.twoFactorRedirect === true
    isUnconfirmed = answer.error?.code === 'EMAIL_NOT_VERIFIED'
    return answer
  })
  if (isUnconfirmed) return { to: 'letter' }
  if (isTwofold) return { to: 'second-factor' }
  if (problem === null) return 'in'
  return /password|email|credential/i.test(problem)
    ? { problem: 'This e-mail and password do not belong together.' }
    : { problem }
}

/** What each step asks of the server. */
const ASK: Record<Exclude<Step, 'letter'>, (typed: Typed, next: string) => Promise<Outcome>> = {
  'sign-in': signIn,
  'sign-up': async ({ name = '', email = '', password = '' }, next) =>
    outcome(await authAsk(() => authClient.signUp.email({ name, email, password, callbackURL: next })), {
      to: 'letter',
    }),
  forgot: async ({ email = '' }) =>
    outcome(await authAsk(() => authClient.requestPasswordReset({ email, redirectTo: '/reset' })), { to: 'letter' }),
  'second-factor': async ({ code = '' }) =>
    outcome(
      await authAsk(() =>
        /^\d{6}$/.test(code)
          ? authClient.twoFactor.verifyTotp({ code })
          : authClient.twoFactor.verifyBackupCode({ code }),
      ),
      'in',
    ),
}

/** Signs in or up; the message is a sentence, and what was typed stays. */
export function SignInForm({ demoEmail, onDemo, next, hasPasskeys, lettersPath }: Props) {
  const [step, setStep] = useState<Step>('sign-in')
  const [message, setMessage] = useState<string | null>(null)
  const [isAsking, setAsking] = useState(false)
  const go = (to: Step) => {
    setStep(to)
    setMessage(null)
  }
  // A full load, so that nothing of the stranger's page is kept.
  const enter = () => window.location.assign(next)

  async function submit(typed: Typed): Promise<void> {
    if (step === 'letter') return
    setAsking(true)
    const came = await ASK[step](typed, next)
    setAsking(false)
    if (came === 'in') enter()
    else if ('to' in came) go(came.to)
    else setMessage(came.problem)
  }

  async function withPasskey(): Promise<void> {
    const problem = await authAsk(() => authClient.signIn.passkey())
    if (problem === null) enter()
    else setMessage('No passkey was used. Sign in with your password, or try again.')
  }

  return (
    <SmallSheet title="Soft Gale">
      <WhatItDoes />
      {demoEmail !== null && step === 'sign-in' && <DemoForm email={demoEmail} onDemo={onDemo} />}
      {step === 'letter' ? (
        <LetterSent lettersPath={lettersPath} />
      ) : (
        <Box
          component="form"
          onSubmit={(event: FormEvent<HTMLFormElement>) => {
            event.preventDefault()
            void submit(Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>)
          }}
          sx={{ display: 'grid', gap: 1.5 }}
        >
          <StepFields step={step} />
          {message !== null && (
            <Alert severity="error" variant="outlined">
              {message}
            </Alert>
          )}
          <SubmitButton variant="outlined" disabled={isAsking}>
            {TITLES[step]}
          </SubmitButton>
          {step === 'sign-in' && hasPasskeys && (
            <Button type="button" onClick={() => void withPasskey()}>
              Sign in with a passkey
            </Button>
          )}
        </Box>
      )}
      <Box sx={{ display: 'flex', flexDirection: 'column', alignItems: 'flex-start', mt: 1.5 }}>
        {step === 'sign-in' ? (
          <>
            <Button type="button" variant="contained" fullWidth onClick={() => go('sign-up')} sx={{ mb: 1 }}>
              New here: make a workspace of your own
            </Button>
            <TextLink onClick={() => go('forgot')}>I have forgotten my password</TextLink>
          </>
        ) : (
          <TextLink onClick={() => go('sign-in')}>I have an account already</TextLink>
        )}
      </Box>
    </SmallSheet>
  )
}

const RAIL = { startPct: 16, floorPct: 28, ceilingPct: 92, boostPct: 78, nowPct: 47 }

/** What the product is for, with a picture of a rail. */
const WhatItDoes = () => (
  <Box sx={{ mb: 2 }}>
    <Typography>
      Sets up the controller of a fan: what the space needs, the speeds and rules that follow, what to press, readings
      that prove it, and a record that stays.
    </Typography>
    <Box sx={{ mt: 1.5 }}>
      <SpeedRail {...RAIL} />
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        0 to 100 % of speed: hatched, where a fan will not turn; tinted, from its lowest to its highest; the pointer,
        where it runs now and why.
      </Typography>
    </Box>
  </Box>
)

const DemoForm = ({ email, onDemo }: { email: string; onDemo: () => Promise<void> }) => (
  <Box component="form" action={onDemo} sx={{ mb: 2 }}>
    <Button type="submit" variant="contained" fullWidth>
      Open the demo yard
    </Button>
    <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
      Made-up people and places; signs in as {email}.
    </Typography>
  </Box>
)

const LetterSent = ({ lettersPath }: Pick<Props, 'lettersPath'>) => (
  <Box role="status">
    <Typography>
      A letter with a link is on its way to the address you gave. Open the link in it, on this device or another.
    </Typography>
    {lettersPath !== null && (
      <Typography sx={{ mt: 1 }}>
        This server has no mail yet: its letters lie in the data folder, and{' '}
        <Link href={lettersPath}>the mail stand-in shows them</Link>.
      </Typography>
    )}
  </Box>
)

/** What is typed at each step. */
const StepFields = ({ step }: { step: Step }) => (
  <>
    {step === 'sign-up' && (
      <CheckedField
        name="name"
        label="Your name"
        required
        size="small"
        autoComplete="name"
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
    )}
    {step === 'second-factor' ? (
      <TextField
        name="code"
        label="Code of your second factor, or a spare code"
        required
        size="small"
        autoComplete="one-time-code"
        autoFocus
      />
    ) : (
      <CheckedField
        name="email"
        label="E-mail"
        type="email"
        required
        size="small"
        autoComplete="email"
        slotProps={{ htmlInput: { maxLength: 254 } }}
      />
    )}
    {(step === 'sign-in' || step === 'sign-up') && (
      <PasswordField
        name="password"
        label="Password"
        autoComplete={step === 'sign-up' ? 'new-password' : 'current-password'}
        minLength={step === 'sign-up' ? LEAST_PASSWORD : undefined}
        helperText={step === 'sign-up' ? 'At least 10 characters; three or four words do well' : undefined}
      />
    )}
  </>
)

const TextLink = ({ onClick, children }: { onClick: () => void; children: string }) => (
  <Link component="button" type="button" variant="body2" onClick={onClick} sx={{ minHeight: 44 }}>
    {children}
  </Link>
)
