'use client'

import { useEffect, useEffectEvent, type ReactNode } from 'react'
import { startSender } from '@/ui/onSite/outbox'
import { WhoProvider } from '@/ui/onSite/who'
import { WaitingLine } from '@/ui/onSite/WaitingLine'

type Props = {
  personId: string
  workspaceId: string
  /** Something of these installations was kept: what the page shows of them is read again. */
  onKept: (installationIds: ReadonlySet<string>) => void
  children: ReactNode
}

/** What is done here goes into a queue and from there to the server, whatever the signal; a plain line says what waits. */
export function OnSite({ personId, workspaceId, onKept, children }: Props) {
  const hear = useEffectEvent(onKept)
  useEffect(() => startSender({ personId, workspaceId }, hear), [personId, workspaceId])
  useEffect(() => {
    // Fetched once a version, it draws the pages where there is no signal.
    if ('serviceWorker' in navigator)
      void navigator.serviceWorker.register('/serwist/sw.js', { scope: '/', type: 'module' }).catch(() => undefined)
  }, [])
  return (
    <WhoProvider value={{ personId, workspaceId }}>
      <WaitingLine />
      {children}
    </WhoProvider>
  )
}
