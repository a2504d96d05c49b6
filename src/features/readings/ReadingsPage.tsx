'use client'

import Box from '@mui/material/Box'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'
import NextLink from 'next/link'
import { useRouter } from 'next/navigation'
import { enqueueSnackbar } from 'notistack'
import { useCallback, useState } from 'react'
import { ImportFile } from '@/features/readings/ImportFile'
import { Jobs } from '@/features/readings/Jobs'
import { ReadingsChart } from '@/features/readings/ReadingsChart'
import type { FileLine, JobLine } from '@/features/readings/types'
import { wallText } from '@/ui/wallText'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { Choice } from '@/ui/Choice'
import { stagePath } from '@/ui/stages'
import { Moment } from '@/ui/Moment'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { useDates } from '@/ui/preference'
import { TextButton } from '@/ui/TextButton'

type Props = {
  installationId: string
  files: readonly FileLine[]
  /** Those that can still be brought back. */
  deleted: readonly { readonly id: string; readonly name: string; readonly goneAt: string }[]
  jobs: readonly JobLine[]
  /** Null where the role of who looks does not let them. */
  onPlace: ((input: unknown) => Promise<Answer>) | null
}

/** The logger files of an installation: brought in, looked at at any zoom, taken out again. */
export function ReadingsPage({ installationId, files, deleted, jobs, onPlace }: Props) {
  const router = useRouter()
  const dates = useDates()
  const [chosen, setChosen] = useState<string | null>(null)
  const [sentAt, setSentAt] = useState(0)
  const file = files.find(({ id }) => id === chosen) ?? files[0]
  async function place(id: string, where: 'here' | 'deleted'): Promise<void> {
    const answer = await onPlace?.({ kind: 'readings', id, place: where }).catch(() => NO_ANSWER)
    if (answer?.kind === 'done') router.refresh()
    else if (answer) enqueueSnackbar(whyNot(answer))
  }
  const onEnded = useCallback(() => router.refresh(), [router])
  return (
    <StageLayout
      title={
        file ? (
          <>
            Readings:{' '}
            <Choice
              label="file shown"
              value={file.id}
              options={files.map(({ id, name }) => [id, name] as const)}
              onChange={setChosen}
            />
          </>
        ) : (
          'Readings'
        )
      }
      aside={
        <Link component={NextLink} href={stagePath(installationId, 'rehearse')}>
          Replay them under Rehearse
        </Link>
      }
      side={
        <>
          <SideHeading>Bring a file in</SideHeading>
          <ImportFile installationId={installationId} onSent={() => setSentAt((count) => count + 1)} />
          <Jobs installationId={installationId} first={jobs} asked={sentAt} onEnded={onEnded} />
          {file && (
            <>
              <SideHeading>This file</SideHeading>
              <Typography variant="body2">
                {file.lineCount.toLocaleString('en')} lines from {wallText(file.fromMs, file.zone, dates)} to{' '}
                {wallText(file.toMs, file.zone, dates)}
                {file.zone === 'as-written' ? ', times as the logger wrote them' : `, ${file.zone}`}.
              </Typography>
              <Link href={`/api/readings/${file.id}/csv`} download>
                Take it out as CSV
              </Link>
              {onPlace && (
                <Typography variant="body2" sx={{ mt: 1 }}>
                  <TextButton label={`Delete ${file.name}`} onClick={() => void place(file.id, 'deleted')}>
                    Delete this file
                  </TextButton>{' '}
                  It can be brought back for 30 days.
                </Typography>
              )}
            </>
          )}
          {deleted.length > 0 && <SideHeading>Deleted</SideHeading>}
          {deleted.map(({ id, name, goneAt }) => (
            <Typography key={id} variant="body2">
              {name}, gone for good on <Moment at={goneAt} as="day" />.{' '}
              {onPlace && (
                <TextButton label={`Bring back ${name}`} onClick={() => void place(id, 'here')}>
                  Bring it back
                </TextButton>
              )}
            </Typography>
          ))}
        </>
      }
      sideTitle="Bring in and take out"
    >
      {file ? (
        <ReadingsChart key={file.id} file={file} />
      ) : (
        <Box sx={{ border: 1, borderStyle: 'dashed', borderColor: 'divider', p: 4, textAlign: 'center' }}>
          <Typography>No readings yet. Bring in a logger’s CSV, and it is drawn here and can be replayed.</Typography>
        </Box>
      )}
    </StageLayout>
  )
}
