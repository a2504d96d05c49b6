'use client'

import { useRouter } from 'next/navigation'
import { enqueueSnackbar } from 'notistack'
import { placeAction } from '@/server/actions'
import { NO_ANSWER, whyNot } from '@/ui/answer'
import { TextButton } from '@/ui/TextButton'

/** Takes a model out of the list; nothing of it is lost, and keeping it again brings it back. */
export function SetModelAside({ id, name }: { id: string; name: string }) {
  const router = useRouter()
  async function setAside(): Promise<void> {
    const answer = await placeAction({ kind: 'controller', id, place: 'aside' }).catch(() => NO_ANSWER)
    if (answer.kind === 'done') return router.refresh()
    enqueueSnackbar(`“${name}” stays in the list. ${whyNot(answer)}`)
  }
  return (
    <TextButton label={`Set ${name} aside`} onClick={() => void setAside()}>
      Set it aside
    </TextButton>
  )
}
