'use client'

import { DUTIES, DUTY_NAMES, type Duty } from '@/core/brief/duty'
import Alert from '@mui/material/Alert'
import Autocomplete from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import type { Makes } from '@/server/workspaceFile/importOne'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { FileButton } from '@/ui/FileButton'
import { stagePath } from '@/ui/stages'
import { SubmitButton } from '@/ui/SubmitButton'

type Props = {
  startsOpen: boolean
  /** The duty that is chosen already. */
  startsWith: Duty | undefined
  sites: readonly string[]
  onMake: (input: unknown) => Promise<Answer>
  onImport: (input: unknown) => Promise<Answer>
}

type ZipAnswer = Answer & { readonly makes?: Makes }

async function sendZip(file: Blob, isTrial: boolean): Promise<ZipAnswer> {
  try {
    const answer = await fetch(`/api/installation${isTrial ? '?trial' : ''}`, { method: 'POST', body: file })
    return (await answer.json()) as ZipAnswer
  } catch {
    return NO_ANSWER
  }
}

/** A zip says first what it would make, and where; then it is brought in. */
function useZip(onMade: (id: string) => void, onRefused: (why: string) => void) {
  const [looked, setLooked] = useState<{ readonly file: File; readonly makes: Makes } | null>(null)
  return {
    makes: looked?.makes ?? null,
    look: async (file: File): Promise<void> => {
      setLooked(null)
      const answer = await sendZip(file, true)
      if (answer.kind === 'done' && answer.makes) setLooked({ file, makes: answer.makes })
      else onRefused(whyNot(answer))
    },
    take: async (): Promise<void> => {
      const answer: ZipAnswer = looked ? await sendZip(looked.file, false) : NO_ANSWER
      if (answer.kind === 'done' && answer.makes) onMade(answer.makes.id)
      else onRefused(whyNot(answer))
    },
  }
}

const WouldMake = ({ makes, onTake }: { makes: Makes; onTake: () => void }) => (
  <Alert
    severity="info"
    variant="outlined"
    action={
      <Button size="small" onClick={onTake}>
        Bring it in
      </Button>
    }
  >
    This makes “{makes.name}” at “{makes.site}”
    {makes.as === 'same'
      ? ` with ${makes.revisions} seals, ${makes.checks} checks, ${makes.readings} readings files and ${makes.photos} photos.`
      : ' as a copy of its working copy: it is here already, and what was proved there was not proved of a copy.'}
    {makes.left.join(' ')}
  </Alert>
)

/** Name, site and duty make an installation; a file makes one too. */
export function NewInstallation({ startsOpen, startsWith, sites, onMake, onImport }: Props) {
  const router = useRouter()
  const [isOpen, setOpen] = useState(startsOpen)
  const [site, setSite] = useState(sites[0] ?? 'My site')
  const [message, setMessage] = useState<string | null>(null)
  const zip = useZip((id) => router.push(stagePath(id, 'hand-over')), setMessage)
  // One id for as long as the dialog is open: a second press cannot make a second installation.
  const [id, setId] = useState<string | null>(null)

  async function finish(work: (id: string) => Promise<Answer>): Promise<void> {
    const made = id ?? crypto.randomUUID()
    setId(made)
    const answer = await work(made).catch(() => NO_ANSWER)
    if (answer.kind === 'done') router.push(stagePath(made, 'brief'))
    else setMessage(whyNot(answer))
  }

  function onSubmit(event: FormEvent<HTMLFormElement>): void {
    event.preventDefault()
    const { name, duty } = Object.fromEntries(new FormData(event.currentTarget)) as { name: string; duty: Duty }
    void finish((made) => onMake({ id: made, site, name, duty }))
  }

  function onFile(file: File): void {
    setMessage(null)
    if (/\.zip$/i.test(file.name)) void zip.look(file)
    else if (file.size > 4_000_000)
      setMessage(
        `${file.name} has ${Math.round(file.size / 1e6)} MB; an installation file has at most 4. Choose the exported JSON file, or its zip.`,
      )
    else void finish(async (made) => onImport({ id: made, site: site || 'My site', text: await file.text() }))
  }

  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        New installation
      </Button>
      <Dialog open={isOpen} onClose={() => setOpen(false)} fullWidth maxWidth="xs" aria-labelledby="new-installation">
        <Box component="form" onSubmit={onSubmit} sx={{ display: 'contents' }}>
          <DialogTitle id="new-installation">New installation</DialogTitle>
          <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
            <TextField
              name="name"
              label="Name"
              required
              autoFocus
              slotProps={{ htmlInput: { maxLength: 80 } }}
              placeholder="Kiln room"
            />
            <Autocomplete
              freeSolo
              options={[...sites]}
              inputValue={site}
              onInputChange={(_event, next) => setSite(next)}
              renderInput={(params) => <TextField {...params} label="Site" required />}
            />
            <TextField name="duty" label="Duty" select defaultValue={startsWith ?? DUTIES[0]}>
              {DUTIES.map((duty) => (
                <MenuItem key={duty} value={duty}>
                  {DUTY_NAMES[duty]}
                </MenuItem>
              ))}
            </TextField>
            {zip.makes && <WouldMake makes={zip.makes} onTake={() => void zip.take()} />}
            {message !== null && (
              <Alert severity="error" variant="outlined">
                {message}
              </Alert>
            )}
          </DialogContent>
          <DialogActions sx={{ px: 3, pb: 2 }}>
            <FileButton
              label="Installation file"
              accept=".json,.zip,application/json,application/zip"
              onFile={onFile}
              sx={{ mr: 'auto' }}
            >
              From a file…
            </FileButton>
            <Button onClick={() => setOpen(false)}>Cancel</Button>
            <SubmitButton variant="contained">Create</SubmitButton>
          </DialogActions>
        </Box>
      </Dialog>
    </>
  )
}
