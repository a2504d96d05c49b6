'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { Moment } from '@/ui/Moment'
import { Choice } from '@/ui/Choice'
import { MadeLink } from '@/ui/MadeLink'
import { SideHeading } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'

/** A link to the record as a page shows it; nobody sees its address again. */
type ShownShare = {
  readonly id: string
  readonly forWhom: string
  readonly madeBy: string
  readonly expiresAt: string
  readonly openedCount: number
}

export type Sharing = {
  readonly links: readonly ShownShare[]
  readonly onShare: (input: unknown) => Promise<Answer & { link?: string; qrSvg?: string }>
  readonly onEnd: (input: unknown) => Promise<Answer>
}

const DAYS = [
  ['7', 'a week'],
  ['30', 'a month'],
  ['366', 'a year'],
] as const

/** Links by which somebody without an account reads the sealed record: made here, ended here. */
export function ShareLinks({ installationId, links, onShare, onEnd }: Sharing & { installationId: string }) {
  const router = useRouter()
  const [forWhom, setForWhom] = useState('')
  const [days, setDays] = useState<(typeof DAYS)[number][0]>('30')
  const [made, setMade] = useState<{ link: string; qrSvg: string } | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  // One id until it is made: pressing twice makes one link.
  const [id, setId] = useState<string | null>(null)

  async function share(): Promise<void> {
    const linkId = id ?? crypto.randomUUID()
    setId(linkId)
    const answer = await onShare({ id: linkId, installationId, forWhom, days: Number(days) }).catch(
      (): Answer & { link?: string; qrSvg?: string } => NO_ANSWER,
    )
    setMessage(answer.kind === 'done' ? null : whyNot(answer))
    if (answer.kind !== 'done') return
    setId(null)
    setForWhom('')
    setMade({ link: answer.link ?? '', qrSvg: answer.qrSvg ?? '' })
    router.refresh()
  }

  async function end(linkId: string): Promise<void> {
    const answer = await onEnd({ id: linkId }).catch(() => NO_ANSWER)
    setMessage(answer.kind === 'done' ? null : whyNot(answer))
    if (answer.kind !== 'done') return
    setMade(null)
    router.refresh()
  }

  return (
    <Box component="section" aria-label="Links to the record">
      <SideHeading>To read without an account</SideHeading>
      {message !== null && (
        <Alert severity="error" variant="outlined" sx={{ my: 1 }}>
          {message}
        </Alert>
      )}
      {links.map((link) => (
        <Box key={link.id} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.5 }}>
          <Typography variant="body2">
            For <b>{link.forWhom}</b>, by {link.madeBy}, until <Moment at={link.expiresAt} as="day" />; opened{' '}
            {link.openedCount} {link.openedCount === 1 ? 'time' : 'times'}.{' '}
            <TextButton label={`End the link for ${link.forWhom}`} onClick={() => void end(link.id)}>
              end it
            </TextButton>
          </Typography>
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', my: 1 }}>
        <span>For</span>
        <TextLine
          label="Who the link is for"
          placeholder="the house manager"
          value={forWhom}
          onChange={setForWhom}
          maxLength={80}
          grow={false}
        />
        <span>for</span>
        <Choice label="how long the link opens" value={days} options={DAYS} onChange={setDays} />
        <Button
          size="small"
          variant="outlined"
          disabled={forWhom.trim() === ''}
          onClick={() => void share()}
          sx={{ minHeight: { xs: 44, sm: 32 } }}
        >
          Make a link
        </Button>
      </Box>
      {made && (
        <MadeLink {...made} of="the record">
          It is shown this once: send it, or let it be scanned.
        </MadeLink>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        It shows the last sealed record, and nothing else; each opening is in the audit.
      </Typography>
    </Box>
  )
}
