'use client'

import Box from '@mui/material/Box'
import { useEffect, useState } from 'react'
import { postJson } from '@/ui/json'
import { useWorkingCopy } from '@/ui/workingCopy/context'

const EVERY_MS = 15_000
const ADDRESS = '/api/presence'

type Answer = { kind: string; others?: readonly string[]; version?: number }

/** Who else has this installation open, and whether they kept something newer. */
export function Presence({ id }: { id: string }) {
  const heard = useWorkingCopy((state) => state.heard)
  const [others, setOthers] = useState<readonly string[]>([])
  useEffect(() => {
    const pageId = crypto.randomUUID()
    let isOpen = true
    const tell = async () => {
      const answer = await postJson<Answer>(ADDRESS, { pageId, installationId: id })
      if (!isOpen || answer?.kind !== 'done') return
      setOthers(answer.others ?? [])
      if (answer.version !== undefined) heard(answer.version, answer.others?.[0] ?? 'another page')
    }
    const leave = () =>
      navigator.sendBeacon(
        ADDRESS,
        new Blob([JSON.stringify({ pageId, installationId: id, isLeaving: true })], { type: 'application/json' }),
      )
    const onSight = () => void tell()
    void tell()
    const timer = setInterval(onSight, EVERY_MS)
    window.addEventListener('focus', onSight)
    window.addEventListener('pagehide', leave)
    return () => {
      isOpen = false
      clearInterval(timer)
      window.removeEventListener('focus', onSight)
      window.removeEventListener('pagehide', leave)
      leave()
    }
  }, [id, heard])
  if (others.length === 0) return null
  return (
    <Box
      role="note"
      aria-label="Who else is here"
      sx={{ bgcolor: 'ground.side', borderBottom: 1, borderColor: 'divider', px: 2, py: 0.5, fontSize: '0.875rem' }}
    >
      Also open: {others.join(', ')}. Changes are never mixed: whoever keeps second is told, and chooses.
    </Box>
  )
}
