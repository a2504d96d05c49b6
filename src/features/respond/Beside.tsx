'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useDeferredValue, useMemo, useState } from 'react'
import type { Installation } from '@/core/installation/installation'
import { derive } from '@/core/derive/derive'
import { compare } from '@/core/record/compare'
import type { Machine } from '@/core/machine/compile'
import { ChangeList } from '@/ui/ChangeList'
import { Choice } from '@/ui/Choice'
import { useMoments } from '@/ui/Moment'
import { getJson } from '@/ui/json'
import { usePreference } from '@/ui/preference'
import { useDocument } from '@/ui/workingCopy/context'

export type SealName = { readonly number: number; readonly sealedAt: string }

type Beside = {
  readonly number: number | null
  readonly document: Installation | null
  /** What it gave, to be drawn beside what is given now. */
  readonly machine: Machine | null
  readonly failed: boolean
  readonly choose: (number: number | null) => void
}

/** A sealed revision laid beside the working copy. */
export function useBeside(installationId: string): Beside {
  const [number, setNumber] = useState<number | null>(null)
  const [document, setDocument] = useState<Installation | null>(null)
  const [failed, setFailed] = useState(false)
  const machine = useMemo(() => document && derive(document).given.machine, [document])
  return {
    number,
    document,
    machine,
    failed,
    choose(next) {
      setNumber(next)
      setDocument(null)
      setFailed(false)
      if (next !== null)
        void getJson<{ document: Installation }>(`/api/installation/${installationId}/revisions/${next}`).then(
          (answer) => (answer ? setDocument(answer.document) : setFailed(true)),
        )
    },
  }
}

const NONE = 'none'

/** Which revision lies beside, and what differs in the sentences. */
export function BesideNote({ beside, seals }: { beside: Beside; seals: readonly SealName[] }) {
  const document = useDeferredValue(useDocument())
  const preference = usePreference()
  const sealed = beside.document
  const changes = useMemo(
    () => (sealed ? compare({ ...document, response: sealed.response }, document, preference) : null),
    [sealed, document, preference],
  )
  const { dayAndClock } = useMoments()
  if (seals.length === 0) return null
  return (
    <Box sx={{ my: 0.5 }}>
      <Typography variant="body2" component="div" suppressHydrationWarning>
        Beside it:{' '}
        <Choice
          label="revision to compare with"
          value={beside.number === null ? NONE : String(beside.number)}
          options={[
            [NONE, 'nothing'],
            ...seals.map(
              ({ number, sealedAt }) => [String(number), `rev ${number}, ${dayAndClock(sealedAt)}`] as const,
            ),
          ]}
          onChange={(value) => beside.choose(value === NONE ? null : Number(value))}
        />
        {beside.number !== null && ' dotted in the chart'}
        {beside.failed && ' It could not be fetched; nothing was lost. Choose it again.'}
        {changes?.length === 0 && ' The sentences are the same.'}
      </Typography>
      {changes && changes.length > 0 && <ChangeList changes={changes} />}
    </Box>
  )
}
