'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useEffect, useState } from 'react'
import { Moment } from '@/ui/Moment'
import { isWaiting, type WorkItem } from '@/ui/onSite/browserStore'
import { useWork } from '@/ui/onSite/who'
import { dropWork, retryWork } from '@/ui/onSite/outbox'

/** What goes within this time is not worth a line. */
const WORTH_SAYING_MS = 2500

/** What waits to be sent and since when; what the server did not take, and the ways out. */
export function WaitingLine() {
  const work = useWork()
  const now = useNow(work.length > 0)
  const refused = work.filter((item) => item.refused !== undefined)
  const waiting = work.filter(isWaiting)
  const isWorthSaying = waiting.some(({ madeAt }) => now - Date.parse(madeAt) > WORTH_SAYING_MS)
  return (
    <div role="status" aria-live="polite">
      {isWorthSaying && <Waiting waiting={waiting} />}
      {refused.map((item) => (
        <Refused key={item.seq} item={item} />
      ))}
    </div>
  )
}

/** The time, told again each second while something is waited for. */
function useNow(isWaiting: boolean): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (!isWaiting) return
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [isWaiting])
  return now
}

const Waiting = ({ waiting }: { waiting: readonly WorkItem[] }) => (
  <Alert severity="info" variant="outlined" sx={{ borderRadius: 0, displayPrint: 'none' }}>
    {waiting.length === 1 ? 'One thing waits' : `${waiting.length} things wait`} to be sent, since{' '}
    <Moment at={waiting[0]!.madeAt} />. They are on this device and go by themselves.
    <Box component="details">
      <summary>See which</summary>
      {waiting.map(({ seq, label }) => (
        <div key={seq}>{label}</div>
      ))}
    </Box>
  </Alert>
)

const Refused = ({ item: { seq, label, refused } }: { item: WorkItem }) => (
  <Alert
    severity="error"
    variant="outlined"
    sx={{ borderRadius: 0, displayPrint: 'none' }}
    action={
      <>
        <Button size="small" onClick={() => void retryWork(seq)}>
          Send again
        </Button>
        <Button size="small" onClick={() => void dropWork(seq)}>
          Drop it
        </Button>
      </>
    }
  >
    Not taken by the server: {label}. {refused}
  </Alert>
)
