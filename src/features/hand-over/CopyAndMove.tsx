'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { sendForm } from '@/ui/sendForm'
import { SideHeading } from '@/ui/StageLayout'
import { stagePath } from '@/ui/stages'

type Act = (input: unknown) => Promise<Answer>
export type Elsewhere = { readonly sites: readonly string[]; readonly onCopy: Act; readonly onMove: Act }
type Props = Elsewhere & { installationId: string; name: string }

/** Another one set up like this one; or this one on another site. */
export function CopyAndMove({ installationId, name, sites, onCopy, onMove }: Props) {
  const router = useRouter()
  // One id for as long as the page is open: a second press cannot make a second copy.
  const [copyId] = useState(() => crypto.randomUUID())
  const [message, setMessage] = useState<{ readonly text: string; readonly isGood: boolean } | null>(null)
  async function act(work: Promise<Answer>, done: () => void): Promise<void> {
    const answer = await work.catch(() => NO_ANSWER)
    if (answer.kind === 'done') done()
    else setMessage({ text: whyNot(answer), isGood: false })
  }
  return (
    <Box component="section" aria-label="Another like it, another site">
      <SideHeading>Another like it, another site</SideHeading>
      <Typography variant="body2">
        A copy takes over brief, kit and response. What was read, looked at, entered and sealed here does not go with
        it.
      </Typography>
      <OneLine
        label="Name of the copy"
        start={`${name.slice(0, 70)}, copy`}
        button="Duplicate"
        onDone={(text) =>
          act(onCopy({ id: copyId, of: installationId, name: text }), () => router.push(stagePath(copyId, 'brief')))
        }
      />
      <OneLine
        label="Move to the site"
        start=""
        button="Move"
        options={sites}
        onDone={(site) =>
          act(onMove({ id: installationId, site }), () => {
            setMessage({ text: `It stands at ${site.trim()} now.`, isGood: true })
            router.refresh()
          })
        }
      />
      {message !== null && (
        <Alert severity={message.isGood ? 'success' : 'error'} variant="outlined" role="status" sx={{ mt: 1 }}>
          {message.text}
        </Alert>
      )}
    </Box>
  )
}

type LineProps = {
  label: string
  start: string
  button: string
  /** Offered while it is typed. */
  options?: readonly string[]
  onDone: (text: string) => Promise<void>
}

function OneLine({ label, start, button, options = [], onDone }: LineProps) {
  const list = `${button}-options`
  return (
    <Box
      component="form"
      onSubmit={(event: FormEvent<HTMLFormElement>) => {
        event.preventDefault()
        const text = new FormData(event.currentTarget).get('text')
        if (typeof text === 'string' && text.trim()) void onDone(text)
      }}
      sx={{ display: 'flex', gap: 1, mt: 1.5, alignItems: 'center' }}
    >
      <TextField
        name="text"
        label={label}
        defaultValue={start}
        size="small"
        fullWidth
        multiline={options.length === 0}
        onKeyDown={sendForm}
        slotProps={{ htmlInput: { maxLength: 80, list } }}
      />
      {options.length > 0 && (
        <datalist id={list}>
          {options.map((option) => (
            <option key={option} value={option} />
          ))}
        </datalist>
      )}
      <Button type="submit" variant="outlined">
        {button}
      </Button>
    </Box>
  )
}
