'use client'

import { useRouter } from 'next/navigation'
import { enqueueSnackbar } from 'notistack'
import { setAsideAction } from '@/server/actions'
import { TextButton } from '@/ui/TextButton'

/** Takes a model out of the list; nothing of it is lost, and keeping it again brings it back. */
export function SetModelAside({ id, name }: { id: string; name: string }) {
  const router = useRouter()
  async function setAside(): Promise<void> {
    const answer = await setAsideAction({ kind: 'controller', id, isAside: true }).catch(
      () => ({ kind: 'unavailable' }) as const,
    )
    if (answer.kind === 'done') return router.refresh()
    enqueueSnackbar(`“${name}” could not be set aside just now. Press again in a moment.`)
  }
  return (
    <TextButton label={`Set ${name} aside`} onClick={() => void setAside()}>
      Set it aside
    </TextButton>
  )
}
