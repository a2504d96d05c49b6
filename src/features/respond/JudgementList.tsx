'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'
import NextLink from 'next/link'
import { memo, useState } from 'react'
import { leftAsItIs } from '@/core/advise/judge'
import { type Judgement } from '@/core/advise/judgement'
import { judgementText } from '@/core/advise/words'
import { SEVERITY_NAMES, SEVERITY_SIGNS } from '@/core/json/severity'
import { usePreference } from '@/ui/preference'
import { Notice } from '@/ui/Notice'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'
import { sameData } from '@/ui/sameData'
import { STAGES, stagePath, type StageId } from '@/ui/stages'
import { useDerived, useJudgements, usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const SHOWN_FIRST = 4
const LEAST_REASON = 3

/** Where what is judged is decided, as far as it is not here. */
const STAGE_OF: Readonly<Record<string, StageId>> = {
  brief: 'brief',
  kit: 'kit',
  calibration: 'calibrate',
  dial: 'dial-in',
  name: 'hand-over',
}

/** What a good colleague would say of the setting, the gravest first: mended by a press, or left as it is with a reason that goes on the record. */
export function JudgementList() {
  const judgements = useJudgements()
  const { fit } = useDerived()
  const dismissed = usePart('dismissed') ?? []
  const [isWhole, setWhole] = useState(false)
  const rounded = fit?.losses.length ?? 0
  const shown = isWhole ? judgements : judgements.slice(0, SHOWN_FIRST)
  return (
    <Box component="section" aria-label="Judgements" sx={{ mt: 1.5 }}>
      {shown.map((judgement) => (
        <JudgementNotice key={judgement.id} judgement={judgement} />
      ))}
      {judgements.length > shown.length && (
        <TextButton onClick={() => setWhole(true)}>Show {judgements.length - shown.length} more</TextButton>
      )}
      {dismissed.length > 0 && <LeftAsTheyAre />}
      {rounded > 0 && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {rounded === 1 ? 'One thing' : `${rounded} things`} this controller cannot do exactly: see Dial in.
        </Typography>
      )}
    </Box>
  )
}

/** Drawn again only when it says something else: what it would do is then something else too. */
const JudgementNotice = memo(function JudgementNotice({ judgement }: { judgement: Judgement }) {
  const { id, severity, cure, path } = judgement
  const { title, detail, cure: label = 'Mend it' } = judgementText(judgement, usePreference())
  const installationId = useWorkingCopy((state) => state.id)
  const arises = STAGES.find((stage) => stage.id === STAGE_OF[path.split('.')[0] ?? ''])
  const cureIt = useWorkingCopy((state) => state.cure)
  const edit = useWorkingCopy((state) => state.edit)
  const [reason, setReason] = useState<string | null>(null)
  return (
    <Notice
      id={`judgement-${id}`}
      grave={severity === 'hurts'}
      title={title}
      action={cure ? { label, onClick: () => cureIt(label, cure.apply) } : undefined}
    >
      {detail}{' '}
      <Box component="span" sx={{ whiteSpace: 'nowrap', color: 'text.secondary' }}>
        <span aria-hidden="true">{SEVERITY_SIGNS[severity]}</span> {SEVERITY_NAMES[severity]}
      </Box>{' '}
      {arises && (
        <>
          <Link component={NextLink} href={stagePath(installationId, arises.id)}>
            See {arises.name}
          </Link>{' '}
        </>
      )}
      {reason === null ? (
        <TextButton label={`Leave it, with a reason: ${title}`} onClick={() => setReason('')}>
          Leave it…
        </TextButton>
      ) : (
        <Box component="span" sx={{ display: 'block', my: 0.5 }}>
          <TextLine
            label={`reason to leave it: ${title}`}
            placeholder="Why it stays; goes on the record"
            value={reason}
            maxLength={300}
            onChange={setReason}
          />
          <Button
            size="small"
            disabled={reason.trim().length < LEAST_REASON}
            onClick={() =>
              edit('left as it is', (draft) => {
                draft.dismissed = [
                  ...(draft.dismissed ?? []).filter(({ judgement: known }) => known !== id),
                  leftAsItIs(judgement, reason.trim()),
                ]
              })
            }
          >
            Leave it so
          </Button>
          <Button size="small" onClick={() => setReason(null)}>
            No
          </Button>
        </Box>
      )}
    </Notice>
  )
}, sameData)

/** What was read and left, so that nobody wonders whether it was seen. */
function LeftAsTheyAre() {
  const dismissed = usePart('dismissed') ?? []
  const edit = useWorkingCopy((state) => state.edit)
  return (
    <Typography variant="body2" component="div">
      Left as they are:
      {dismissed.map(({ judgement, text, reason }) => (
        <Box key={judgement} sx={{ borderLeft: '2px solid', borderColor: 'divider', pl: 1, my: 0.5 }}>
          {text.slice(0, text.indexOf('. ') + 1 || text.length)} <i>{reason}</i>{' '}
          <TextButton
            label={`Say it again: ${text}`}
            onClick={() =>
              edit('say it again', (draft) => {
                draft.dismissed = draft.dismissed?.filter(({ judgement: known }) => known !== judgement)
              })
            }
          >
            Say it again
          </TextButton>
        </Box>
      ))}
    </Typography>
  )
}
