'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useMemo } from 'react'
import type { Installation } from '@/core/installation/installation'
import { compare } from '@/core/record/compare'
import { openText, stillOpen, type OpenItem, type ReadVerdict } from '@/core/record/stillOpen'
import { ChangeList } from '@/ui/ChangeList'
import { LogList, type ShownEntry } from '@/ui/LogList'
import { OutOfYard } from '@/features/hand-over/OutOfYard'
import { SealForm, type Answer } from '@/features/hand-over/SealForm'
import { WriteLog } from '@/features/hand-over/WriteLog'
import { formatDayAndClock } from '@/ui/clock'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { usePreference } from '@/ui/preference'
import { today } from '@/ui/clock'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

type SealedRevision = {
  readonly id: string
  readonly number: number
  readonly reason: string
  readonly sealedBy: string
  readonly sealedAt: string
  readonly open: readonly OpenItem[] | null
}
type Props = {
  installationId: string
  revisions: readonly SealedRevision[]
  /** What the last of them sealed; null where there is none, or none that this program can open. */
  lastSealed: Installation | null
  log: readonly ShownEntry[]
  results: readonly ReadVerdict[]
  /** Null where the role of who looks does not let them. */
  onSeal: ((input: unknown) => Promise<Answer>) | null
  onWrite: ((input: unknown) => Promise<Answer>) | null
  onPlace: ((input: unknown) => Promise<Answer>) | null
}

/** What changed since the last seal, what is still open, the seal with its reasons, the record, the log. */
export function HandOverStage(props: Props) {
  const { installationId, revisions, lastSealed, log, results, onSeal, onWrite, onPlace } = props
  const document = useDocument()
  const derived = useDerived()
  const preference = usePreference()
  const [last] = revisions
  const changes = useMemo(
    () => (lastSealed ? compare(lastSealed, document, preference) : []),
    [lastSealed, document, preference],
  )
  const open = useMemo(
    () => stillOpen(document, derived, results, preference, today()),
    [document, derived, results, preference],
  )
  return (
    <StageLayout
      title={last ? `Since revision ${last.number}` : 'First revision'}
      side={
        <>
          <SideHeading>Log</SideHeading>
          {onWrite && <WriteLog installationId={installationId} onWrite={onWrite} />}
          <LogList entries={log} />
          {onPlace && <OutOfYard installationId={installationId} isSealed={last !== undefined} onPlace={onPlace} />}
        </>
      }
      sideTitle="Log"
    >
      {!last && (
        <Typography>Nothing is sealed yet. A seal keeps everything as it is now, for good, with its reason.</Typography>
      )}
      {last && changes.length === 0 && (
        <Typography>Nothing has changed since revision {last.number} was sealed.</Typography>
      )}
      <ChangeList changes={changes} />
      {onSeal ? (
        <SealForm
          installationId={installationId}
          next={(last?.number ?? 0) + 1}
          open={open}
          before={last?.open ?? []}
          onSeal={onSeal}
        />
      ) : (
        <Typography sx={{ mt: 2 }}>
          Sealing is for technicians and owners. {open.length > 0 && `It would be sealed with ${openText(open)}.`} Ask
          one of them; they see here what you see.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 2 }}>
        {last && (
          <Button variant="outlined" component={Link} href={`/record/${installationId}?rev=${last.number}`}>
            Printable record of revision {last.number}
          </Button>
        )}
        {(!last || changes.length > 0) && (
          <Button variant="outlined" component={Link} href={`/record/${installationId}?rev=working`}>
            Print the working copy
          </Button>
        )}
        <Button variant="outlined" href={`/api/installation/${installationId}/export`} download>
          Export as a file
        </Button>
      </Box>
      {revisions.length > 0 && (
        <>
          <Typography variant="h2" sx={{ mt: 3 }}>
            Sealed
          </Typography>
          {revisions.map(({ id, number, reason, sealedBy, sealedAt, open: wasOpen }) => (
            <Typography key={id} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.5 }}>
              <Link href={`/record/${installationId}?rev=${number}`}>Revision {number}</Link>,{' '}
              <span suppressHydrationWarning>{formatDayAndClock(sealedAt)}</span>, {sealedBy}: {reason}
              {wasOpen && wasOpen.length > 0 && ` (${openText(wasOpen)})`}
            </Typography>
          ))}
        </>
      )}
    </StageLayout>
  )
}
