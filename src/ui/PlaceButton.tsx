'use client'

import { useRouter } from 'next/navigation'
import { enqueueSnackbar } from 'notistack'
import type { ReactNode } from 'react'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { TextButton } from '@/ui/TextButton'

type Props = {
  kind?: 'installation' | 'site' | 'controller'
  id: string
  name: string
  place: 'here' | 'aside' | 'deleted'
  onPlace: (input: unknown) => Promise<Answer>
  children: ReactNode
}

const LABELS = { here: 'Bring back', aside: 'Archive', deleted: 'Delete' }

/** Moves an installation or a controller out of its list, for a while or for good, or back into it; or removes an empty site. */
export function PlaceButton({ kind = 'installation', id, name, place, onPlace, children }: Props) {
  const router = useRouter()
  async function press(): Promise<void> {
    const answer = await onPlace({ kind, id, place }).catch(() => NO_ANSWER)
    if (answer.kind === 'done') return router.refresh()
    enqueueSnackbar(`“${name}” stays where it is. ${whyNot(answer)}`)
  }
  return (
    <TextButton label={`${LABELS[place]}: ${name}`} onClick={() => void press()}>
      {children}
    </TextButton>
  )
}
