'use client'

import Box from '@mui/material/Box'
import { enqueueSnackbar } from 'notistack'
import { useEffect, useState } from 'react'
import { useRouter } from 'next/navigation'
import { postJson } from '@/ui/json'
import { useWorkingCopy } from '@/ui/workingCopy/context'

/** A page says that it is still open this often; what happens meanwhile it hears at once. */
const EVERY_MS = 15_000
const ADDRESS = '/api/presence'

type Answer = { kind: string; others?: readonly string[]; version?: number }
type Told =
  | { kind: 'kept'; version: number; by: string }
  | { kind: 'sealed'; number: number; by: string }
  | { kind: 'present' | 'again' }

/** Who else has this installation open, and what they keep, as it happens. */
export function Presence({ id }: { id: string }) {
  const router = useRouter()
  const heard = useWorkingCopy((state) => state.heard)
  const [others, setOthers] = useState<readonly string[]>([])
  useEffect(() => {
    const pageId = crypto.randomUUID()
    let isOpen = true
    const hear = async (version: number, by: string) => {
      if (await heard(version)) enqueueSnackbar(`${by} changed something; it is shown here now.`)
    }
    const tell = async () => {
      const answer = await postJson<Answer>(ADDRESS, { pageId, installationId: id })
      if (!isOpen || answer?.kind !== 'done') return
      setOthers(answer.others ?? [])
      if (answer.version !== undefined) void hear(answer.version, answer.others?.[0] ?? 'another page')
    }
    const leave = () =>
      navigator.sendBeacon(
        ADDRESS,
        new Blob([JSON.stringify({ pageId, installationId: id, isLeaving: true })], { type: 'application/json' }),
      )
    const onSight = () => void tell()
    const stream = new EventSource(`/api/live?installation=${id}`)
    stream.onmessage = ({ data }: MessageEvent<string>) => {
      const told = JSON.parse(data) as Told
      if (told.kind === 'kept') void hear(told.version, told.by)
      else if (told.kind === 'sealed') router.refresh()
      else void tell()
    }
    void tell()
    const timer = setInterval(onSight, EVERY_MS)
    window.addEventListener('focus', onSight)
    window.addEventListener('pagehide', leave)
    return () => {
      isOpen = false
      stream.close()
      clearInterval(timer)
      window.removeEventListener('focus', onSight)
      window.removeEventListener('pagehide', leave)
      leave()
    }
  }, [id, heard, router])
  if (others.length === 0) return null
  return (
    <Box
      role="note"
      aria-label="Who else is here"
      sx={{ bgcolor: 'ground.side', borderBottom: 1, borderColor: 'divider', px: 2, py: 0.5, fontSize: '0.875rem' }}
    >
      Also open: {others.join(', ')}. What they keep is shown here at once; where you both changed the same, you choose.
    </Box>
  )
}
