'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useMemo } from 'react'
import type { Installation } from '@/core/document/installation'
import { compare } from '@/core/record/compare'
import { openText, stillOpen, type OpenItem, type ReadVerdict } from '@/core/record/stillOpen'
import { ChangeList } from '@/ui/ChangeList'
import { LogList, type ShownEntry } from '@/ui/LogList'
import { SealForm } from '@/features/hand-over/SealForm'
import { WriteLog } from '@/features/hand-over/WriteLog'
import { formatDayAndClock } from '@/ui/clock'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

export type SealedRevision = {
  readonly id: string
  readonly number: number
  readonly reason: string
  readonly sealedBy: string
  readonly sealedAt: string
  /** Null where this program cannot open it. */
  readonly document: Installation | null
  readonly open: readonly OpenItem[] | null
}
export type Answer = { kind: string; number?: number; problems?: readonly { path: string }[] }
type Props = {
  installationId: string
  revisions: readonly SealedRevision[]
  log: readonly ShownEntry[]
  results: readonly ReadVerdict[]
  onSeal: (input: unknown) => Promise<Answer>
  onWrite: (input: unknown) => Promise<Answer>
}

/** What changed since the last seal, what is still open, the seal with its reasons, the record, the log. */
export function HandOverStage({ installationId, revisions, log, results, onSeal, onWrite }: Props) {
  const document = useDocument()
  const derived = useDerived()
  const preference = usePreference()
  const [last] = revisions
  const changes = useMemo(
    () => (last?.document ? compare(last.document, document, preference) : []),
    [last, document, preference],
  )
  const open = useMemo(
    () => stillOpen(document, derived, results, preference),
    [document, derived, results, preference],
  )
  return (
    <StageLayout
      title={last ? `Since revision ${last.number}` : 'First revision'}
      side={
        <>
          <SideHeading>Log</SideHeading>
          <WriteLog installationId={installationId} onWrite={onWrite} />
          <LogList entries={log} />
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
      <SealForm
        installationId={installationId}
        next={(last?.number ?? 0) + 1}
        open={open}
        before={last?.open ?? []}
        onSeal={onSeal}
      />
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
