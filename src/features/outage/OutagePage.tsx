'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useState } from 'react'
import { DUTY_NAMES, type Duty } from '@/core/brief/duty'
import type { OutageItem } from '@/core/record/afterOutage'
import { outageLog } from '@/features/outage/outageLog'
import { useTicks } from '@/features/outage/ticks'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { Caution, Notice } from '@/ui/Notice'
import { stagePath } from '@/ui/stages'
import { useSending } from '@/ui/useSending'

type OfInstallation = {
  readonly id: string
  readonly name: string
  readonly duty: Duty
  /** Of the revision it is about; null for the working copy. */
  readonly sealNumber: number | null
  readonly items: readonly OutageItem[]
}
type Entry = { readonly id: string; readonly installationId: string; readonly text: string }
type Write = ((entry: Entry) => Promise<Answer>) | null
type Props = {
  site: string
  installations: readonly OfInstallation[]
  unreadable: readonly string[]
  onWrite: Write
}

/** What to look at and what to enter again when the power has been away, the gravest first; ticked, and kept in the log. */
export function OutagePage({ site, installations, unreadable, onWrite }: Props) {
  const { from, to, setTimes } = useTicks()
  return (
    <Box
      component="main"
      sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: { xs: 1.75, sm: 2.5 }, py: 2 }}
    >
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap', maxWidth: 820 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          After an outage: {site}
        </Typography>
        <Button
          size="small"
          variant="outlined"
          onClick={() => window.print()}
          sx={{ '@media print': { display: 'none' } }}
        >
          Print
        </Button>
      </Box>
      <Typography sx={{ color: 'text.secondary', mb: 1.5 }}>
        Where standing still does most harm comes first. Fans start again by themselves.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 2 }}>
        {(['from', 'to'] as const).map((end) => (
          <TextField
            key={end}
            label={`Power was away ${end}`}
            size="small"
            value={end === 'from' ? from : to}
            placeholder="27 Nov 03:10"
            onChange={(event) => setTimes({ [end]: event.target.value })}
            slotProps={{ htmlInput: { maxLength: 40 } }}
          />
        ))}
      </Box>
      {unreadable.map((name) => (
        <Notice key={name} grave title={`“${name}” cannot be opened.`}>
          Go there and compare it with the card in its box.
        </Notice>
      ))}
      {installations.map((installation, place) => (
        <OneInstallation
          key={installation.id}
          {...installation}
          isNamedAgain={installations.slice(0, place).some(({ name }) => name === installation.name)}
          onWrite={onWrite}
        />
      ))}
    </Box>
  )
}

const NONE: readonly string[] = []

type OneProps = OfInstallation & {
  /** One above it has the same name. */
  isNamedAgain: boolean
  onWrite: Write
}

function OneInstallation({ id, name, duty, sealNumber, items, isNamedAgain, onWrite }: OneProps) {
  const done = useTicks((state) => state.done[id] ?? NONE)
  const { from, to, tick, clear } = useTicks()
  const [message, setMessage] = useState<string | null>(null)
  // One id for one entry: sent twice it is one.
  const [entryId, setEntryId] = useState(() => crypto.randomUUID())
  const [isSending, keep] = useSending<void>(async () => {
    const text = outageLog(items, done, { from, to })
    const answer = await onWrite!({ id: entryId, installationId: id, text }).catch((): Answer => NO_ANSWER)
    setMessage(answer.kind === 'done' ? 'In the log.' : whyNot(answer))
    if (answer.kind !== 'done') return
    clear(id)
    setEntryId(crypto.randomUUID())
  })
  return (
    <Box
      component="section"
      aria-label={isNamedAgain ? `${name}, another` : name}
      sx={{ maxWidth: 820, mb: 3, breakInside: 'avoid' }}
    >
      <Typography variant="h2">
        <Link href={stagePath(id, 'dial-in')}>{name}</Link>
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {DUTY_NAMES[duty]},{' '}
        {sealNumber === null ? 'as in the working copy, never sealed' : `as sealed in revision ${sealNumber}`}
      </Typography>
      {duty === 'livestock' && (
        <Caution text="Animals have hours without air. Look at the fans before anything else." />
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {items.map((item) => (
          <Line key={item.id} item={item} isDone={done.includes(item.id)} onTick={(is) => tick(id, item.id, is)} />
        ))}
      </Box>
      {onWrite && (
        <Box sx={{ mt: 1, '@media print': { display: 'none' } }}>
          <Button variant="contained" size="small" disabled={isSending} onClick={() => keep()}>
            Keep in the log
          </Button>{' '}
          <span role="status">{message}</span>
        </Box>
      )}
    </Box>
  )
}

type LineProps = { item: OutageItem; isDone: boolean; onTick: (isDone: boolean) => void }

const Line = ({ item: { kind, text }, isDone, onTick }: LineProps) => (
  <Box component="li" sx={{ borderBottom: '1px dotted', borderColor: 'divider' }}>
    {kind === 'know' ? (
      <Typography variant="body2" sx={{ py: 0.5, color: 'text.secondary' }}>
        {text}
      </Typography>
    ) : (
      <Box
        component="label"
        sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', minHeight: 44, py: 1, pl: 0.5 }}
      >
        <Box
          component="input"
          type="checkbox"
          checked={isDone}
          onChange={(event) => onTick(event.target.checked)}
          sx={{ width: 22, height: 22, flexShrink: 0, mt: '1px', accentColor: 'currentColor' }}
        />
        <Box
          component="span"
          sx={{ fontWeight: kind === 'enter' ? 700 : 400, color: isDone ? 'text.secondary' : undefined }}
        >
          {text}
        </Box>
      </Box>
    )}
  </Box>
)
