'use client'

import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useMemo, useState } from 'react'
import type { Installation } from '@/core/installation/installation'
import { compare } from '@/core/record/compare'
import { openText } from '@/core/record/stillOpen'
import { ChangeList } from '@/ui/ChangeList'
import type { Answer } from '@/ui/answer'
import { LogList, type ShownEntry } from '@/ui/LogList'
import type { ShownLogEntry, ShownPhoto, ShownResult, ShownRevision } from '@/ui/onSite/pack'
import { useLog, useResults } from '@/ui/onSite/useResults'
import { Afterwards } from '@/features/hand-over/Afterwards'
import { CurvePair } from '@/features/hand-over/CurvePair'
import { Gate } from '@/features/hand-over/Gate'
import { LeftBehind } from '@/features/hand-over/LeftBehind'
import { CopyAndMove, type Elsewhere } from '@/features/hand-over/CopyAndMove'
import { OutOfYard } from '@/features/hand-over/OutOfYard'
import { Revisions } from '@/features/hand-over/Revisions'
import { REASON_ID, SealForm } from '@/features/hand-over/SealForm'
import { ShareLinks, type Sharing } from '@/features/hand-over/ShareLinks'
import { VisitForm } from '@/features/hand-over/VisitForm'
import { WriteLog } from '@/features/hand-over/WriteLog'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { usePreference } from '@/ui/preference'
import { useOpenThings } from '@/ui/openThings'
import { useDocument } from '@/ui/workingCopy/context'

type Props = {
  installationId: string
  revisions: readonly ShownRevision[]
  /** What the last of them sealed; null where there is none, or none that this program can open. */
  lastSealed: Installation | null
  log: readonly ShownLogEntry[]
  results: readonly ShownResult[]
  photos: readonly ShownPhoto[]
  maySeal: boolean
  mayWork: boolean
  /** Null where the role of who looks does not let them, or there is no signal. */
  onPlace: ((input: unknown) => Promise<Answer>) | null
  /** Links to the record; null where the role does not let one, or there is no signal. */
  sharing: Sharing | null
  /** To copy and to move it; null where the role does not let one, or there is no signal. */
  elsewhere: Elsewhere | null
}

/** What changed since the last seal, what is still open, the seal with its reasons, the record, the log. */
export function HandOverStage(props: Props) {
  const { installationId, revisions, lastSealed, maySeal, mayWork, onPlace, sharing, elsewhere } = props
  const results = useResults(installationId, props.results)
  const log = useLog(installationId, props.log)
  const [corrects, setCorrects] = useState<ShownEntry | null>(null)
  const document = useDocument()
  const preference = usePreference()
  const [last] = revisions
  const changes = useMemo(
    () => (lastSealed ? compare(lastSealed, document, preference) : []),
    [lastSealed, document, preference],
  )
  const { open } = useOpenThings()
  return (
    <StageLayout
      title="The whole job, before it is sealed"
      aside={open.length === 0 ? 'nothing open' : `${open.length} open`}
      side={
        <>
          <SideHeading>{last ? `Since revision ${last.number}` : 'Since the beginning'}</SideHeading>
          {last && changes.length === 0 && (
            <Typography variant="body2">Nothing has changed since revision {last.number} was sealed.</Typography>
          )}
          {!last && <Typography variant="body2">Nothing is sealed yet.</Typography>}
          {last && lastSealed && changes.length > 0 && <CurvePair before={lastSealed} after={document} />}
          <ChangeList changes={changes} />
          <LeftBehind installationId={installationId} number={last?.number ?? null} />
          {sharing && <ShareLinks installationId={installationId} {...sharing} />}
          <SideHeading>Log</SideHeading>
          {mayWork && (
            <WriteLog installationId={installationId} corrects={corrects} onWritten={() => setCorrects(null)} />
          )}
          <Typography variant="body2">
            <Link href={`/log?of=${installationId}`}>Search it, or take it as CSV</Link>
          </Typography>
          <LogList entries={log} onCorrect={mayWork ? setCorrects : undefined} />
          {elsewhere && <CopyAndMove installationId={installationId} name={document.name} {...elsewhere} />}
          {onPlace && (
            <OutOfYard
              installationId={installationId}
              name={document.name}
              isSealed={last !== undefined}
              onPlace={onPlace}
            />
          )}
        </>
      }
      sideTitle="Changes, papers, log"
    >
      <Gate installationId={installationId} document={document} open={open} />
      {mayWork && <VisitForm installationId={installationId} results={results} log={log} photos={props.photos} />}
      <Afterwards onEnter={() => window.document.getElementById(REASON_ID)?.focus()} />
      {maySeal ? (
        <SealForm
          installationId={installationId}
          next={(last?.number ?? 0) + 1}
          open={open}
          before={last?.open ?? []}
        />
      ) : (
        <Typography sx={{ mt: 2 }}>
          Sealing is for technicians and owners. {open.length > 0 && `It would be sealed with ${openText(open)}.`} Ask
          one of them; they see here what you see.
        </Typography>
      )}
      <Revisions installationId={installationId} revisions={revisions} mayWork={mayWork} />
    </StageLayout>
  )
}
