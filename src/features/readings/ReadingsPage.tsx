'use client'

import Box from '@mui/material/Box'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'
import NextLink from 'next/link'
import { useRouter } from 'next/navigation'
import { useCallback, useState } from 'react'
import { ImportFile } from '@/features/readings/ImportFile'
import { Jobs } from '@/features/readings/Jobs'
import { ReadingsChart } from '@/features/readings/ReadingsChart'
import type { FileLine, JobLine } from '@/features/readings/types'
import { dayText } from '@/features/readings/wallText'
import { Choice } from '@/ui/Choice'
import { stagePath } from '@/ui/stages'
import { SideHeading, StageLayout } from '@/ui/StageLayout'

type Props = { installationId: string; files: readonly FileLine[]; jobs: readonly JobLine[] }

/** The logger files of an installation: brought in, looked at at any zoom, taken out again. */
export function ReadingsPage({ installationId, files, jobs }: Props) {
  const router = useRouter()
  const [chosen, setChosen] = useState<string | null>(null)
  const [sentAt, setSentAt] = useState(0)
  const file = files.find(({ id }) => id === chosen) ?? files[0]
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
                {file.lineCount.toLocaleString('en')} lines from {dayText(file.fromMs, file.zone)} to{' '}
                {dayText(file.toMs, file.zone)}
                {file.zone === 'as-written' ? ', times as the logger wrote them' : `, ${file.zone}`}.
              </Typography>
              <Link href={`/api/readings/${file.id}/csv`} download>
                Take it out as CSV
              </Link>
            </>
          )}
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
