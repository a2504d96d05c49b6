'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import { problemLine } from '@/core/words/problems'
import { isUnderWay, type JobLine } from '@/features/readings/types'
import { cancelImportAction } from '@/server/actions'

const LOOK_EVERY_MS = 700

type Props = { installationId: string; first: readonly JobLine[]; asked: number; onEnded: () => void }

/** Imports under way and how the newest ended. They go on without this page. */
export function Jobs({ installationId, first, asked, onEnded }: Props) {
  const [jobs, setJobs] = useState(first)
  const isBusy = jobs.some(isUnderWay)
  useEffect(() => {
    let isCurrent = true
    let timer: ReturnType<typeof setTimeout>
    // Also when the page has just been drawn: it may be one that the browser had kept from before.
    const look = async () => {
      const answer = await fetch(`/api/imports?installation=${installationId}`).catch(() => null)
      const body = answer?.ok ? ((await answer.json()) as { jobs: readonly JobLine[] }) : null
      if (!isCurrent) return
      if (body) setJobs(body.jobs)
      if (!body || body.jobs.some(isUnderWay)) timer = setTimeout(() => void look(), LOOK_EVERY_MS)
      else if (body.jobs.some(({ id, state }) => !first.some((job) => job.id === id && job.state === state))) onEnded()
    }
    void look()
    return () => {
      isCurrent = false
      clearTimeout(timer)
    }
  }, [installationId, asked, isBusy, first, onEnded])
  // The newest stays, however it ended: whoever was away meanwhile must find out.
  const shown = jobs.filter((job, index) => index === 0 || isUnderWay(job))
  return (
    <Box role="status" sx={{ my: 1 }}>
      {shown.map((job) => (
        <Job key={job.id} job={job} />
      ))}
    </Box>
  )
}

function Job({ job }: { job: JobLine }) {
  const { id, name, state, bytesDone, bytesTotal, lineCount, problems } = job
  const [isAsked, setAsked] = useState(false)
  if (state === 'done')
    return (
      <Typography variant="body2">
        {name}: {lineCount.toLocaleString('en')} lines imported.
      </Typography>
    )
  if (state === 'cancelled')
    return (
      <Typography variant="body2">{name}: stopped; nothing of it was kept. Import it again when it suits.</Typography>
    )
  if (state === 'refused')
    return (
      <Alert severity="error" variant="outlined" sx={{ my: 1 }}>
        {problems.map((problem) => (
          <div key={problemLine(problem)}>{problemLine(problem)}</div>
        ))}
        Nothing of the file was kept.
      </Alert>
    )
  return (
    <Box sx={{ my: 1 }}>
      <Typography variant="body2">
        {name}: {state === 'waiting' ? 'waiting its turn' : `${lineCount.toLocaleString('en')} lines read`}
      </Typography>
      <LinearProgress
        variant={bytesDone > 0 ? 'determinate' : 'indeterminate'}
        value={bytesTotal > 0 ? (100 * bytesDone) / bytesTotal : 0}
        aria-label={`Importing ${name}`}
        sx={{ my: 0.5 }}
      />
      <Button
        size="small"
        disabled={isAsked}
        onClick={() => {
          setAsked(true)
          void cancelImportAction({ id })
        }}
        sx={{ minHeight: { xs: 44, sm: 30 } }}
      >
        {isAsked ? 'Stopping…' : `Stop importing ${name}`}
      </Button>
    </Box>
  )
}
