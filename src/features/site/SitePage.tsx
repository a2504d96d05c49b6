'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { cardsOfSite, outageAtSite } from '@/ui/places'
import { stagePath } from '@/ui/stages'
import { useIsLive } from '@/ui/useIsLive'
import { knownZones } from '@/ui/zones'
import { SubmitButton } from '@/ui/SubmitButton'

type Facts = {
  readonly name: string
  readonly address: string
  readonly contact: string
  readonly access: string
  readonly zone: string
}

type Props = {
  site: Facts & { readonly id: string }
  installations: readonly { readonly id: string; readonly name: string }[]
  /** Null where the role of who looks does not let them. */
  onKeep: ((input: unknown) => Promise<Answer>) | null
}

const FIELDS = [
  { key: 'address', label: 'Address', example: 'Wharf 3, by the red crane' },
  { key: 'contact', label: 'Who to ask, and how', example: 'The warden, mornings, 555 0117' },
  {
    key: 'access',
    label: 'Getting in',
    example: 'Key safe behind the meter; the board is in the porch; beware of the step',
  },
] as const

type ZoneProps = { zone: string; isFixed: boolean }

/** The time zone of a site, of those the browser knows: they are there once the page is live. */
function ZoneField({ zone, isFixed }: ZoneProps) {
  const isLive = useIsLive()
  const known = isLive ? knownZones().filter(([name]) => name !== zone) : []
  return (
    <TextField
      select
      name="zone"
      label="Time zone"
      defaultValue={zone}
      disabled={isFixed}
      helperText="Times of its installations are said in it, on the screen and on paper."
      slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
    >
      <option value="">as of whoever looks</option>
      {[...(zone === '' ? [] : [[zone, zone.replaceAll('_', ' ')] as const]), ...known].map(([name, words]) => (
        <option key={name} value={name}>
          {words}
        </option>
      ))}
    </TextField>
  )
}

/** One site: where it is, who lets one in, what stands there, and the papers of all of it. */
export function SitePage({ site, installations, onKeep }: Props) {
  const router = useRouter()
  const [answer, setAnswer] = useState<Answer | null>(null)
  async function submit(event: FormEvent<HTMLFormElement>): Promise<void> {
    event.preventDefault()
    const facts = Object.fromEntries(new FormData(event.currentTarget))
    const answered = onKeep ? await onKeep({ id: site.id, ...facts }).catch(() => NO_ANSWER) : NO_ANSWER
    setAnswer(answered)
    if (answered.kind === 'done') router.refresh()
  }
  return (
    <Box
      component="main"
      sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: { xs: 1.75, sm: 2.5 }, py: 2 }}
    >
      <Typography variant="h1">{site.name}</Typography>
      <Typography
        component="nav"
        aria-label="Papers of this site"
        sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', my: 1 }}
      >
        <Link href="/yard">Back to the yard</Link>
        {installations.length > 0 && <Link href={outageAtSite(site.name)}>After an outage</Link>}
        {installations.length > 0 && <Link href={cardsOfSite(site.id)}>All cards, to print</Link>}
      </Typography>
      <Box
        component="form"
        onSubmit={(event) => void submit(event)}
        sx={{ display: 'grid', gap: 2, maxWidth: 560, mt: 2 }}
      >
        <TextField
          name="name"
          label="Name of the site"
          defaultValue={site.name}
          required
          disabled={!onKeep}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        {FIELDS.map(({ key, label, example }) => (
          <TextField
            key={key}
            name={key}
            label={label}
            defaultValue={site[key]}
            placeholder={example}
            disabled={!onKeep}
            multiline
            slotProps={{ htmlInput: { maxLength: 500 }, inputLabel: { shrink: true } }}
          />
        ))}
        <ZoneField zone={site.zone} isFixed={!onKeep} />
        {answer && (
          <Alert severity={answer.kind === 'done' ? 'success' : 'error'} variant="outlined" role="status">
            {answer.kind === 'done' ? 'Kept.' : whyNot(answer)}
          </Alert>
        )}
        {onKeep && (
          <SubmitButton variant="contained" sx={{ justifySelf: 'start' }}>
            Keep
          </SubmitButton>
        )}
      </Box>
      <Typography variant="h2" sx={{ mt: 3 }}>
        What stands here
      </Typography>
      {installations.length === 0 && <Typography variant="body2">Nothing yet.</Typography>}
      <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
        {installations.map(({ id, name }) => (
          <li key={id}>
            <Link href={stagePath(id, 'respond')}>{name}</Link>
          </li>
        ))}
      </Box>
    </Box>
  )
}
