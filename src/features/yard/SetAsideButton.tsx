'use client'

import { useRouter } from 'next/navigation'
import { enqueueSnackbar } from 'notistack'
import type { ReactNode } from 'react'
import { setAsideAction } from '@/server/actions'
import { TextButton } from '@/ui/TextButton'

type Props = { id: string; name: string; isAside: boolean; children: ReactNode }

/** Sets an installation aside, or brings it back into the yard. */
export function SetAsideButton({ id, name, isAside, children }: Props) {
  const router = useRouter()
  async function press(): Promise<void> {
    const answer = await setAsideAction({ kind: 'installation', id, isAside }).catch(
      () => ({ kind: 'unavailable' }) as const,
    )
    if (answer.kind === 'done') return router.refresh()
    enqueueSnackbar(`“${name}” stays where it is: the server did not answer. Press again in a moment.`)
  }
  return (
    <TextButton label={`${isAside ? 'Set aside' : 'Bring back'}: ${name}`} onClick={() => void press()}>
      {children}
    </TextButton>
  )
}
