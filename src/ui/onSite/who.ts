'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { createContext, useContext } from 'react'
import { browserStore, type Who, type WorkItem } from '@/ui/onSite/browserStore'
import type { ShownLogEntry } from '@/ui/onSite/pack'
import { putWork } from '@/ui/onSite/outbox'

const WhoContext = createContext<Who | null>(null)

/** Who works here, for everything below. */
export const WhoProvider = WhoContext.Provider

function useWho(): Who {
  const who = useContext(WhoContext)
  if (!who) throw new Error('nobody is known above this component')
  return who
}

const NOTHING: readonly WorkItem[] = []

/** What this person did here and a page has not read from the server yet: of one installation, or of all. */
export function useWork(installationId?: string): readonly WorkItem[] {
  const { personId, workspaceId } = useWho()
  return (
    useLiveQuery(async () => {
      const items = await browserStore()?.work.orderBy('seq').toArray()
      return items?.filter(
        (item) =>
          item.personId === personId &&
          item.workspaceId === workspaceId &&
          (installationId === undefined || item.installationId === installationId),
      )
    }, [personId, workspaceId, installationId]) ?? NOTHING
  )
}

/** The way into the log: an entry of an installation, under an id so that it is one however often it is sent. */
export function usePutLog(): (entry: LogWork) => Promise<void> {
  const put = usePutWork()
  return ({ id = crypto.randomUUID(), installationId, text, label, corrects = null }) => {
    const shown: ShownLogEntry = { id, text, corrects, writtenBy: 'you', writtenAt: new Date().toISOString() }
    const input = { id, installationId, text, ...(corrects !== null && { corrects }) }
    return put({ id, installationId, kind: 'log', label, input, shown })
  }
}

type LogWork = {
  readonly id?: string
  readonly installationId: string
  readonly text: string
  /** What it is, in words, while it waits. */
  readonly label: string
  /** The entry it puts right. */
  readonly corrects?: string | null
}

/** The way into the queue for whoever works here. */
export function usePutWork(): (item: Omit<WorkItem, 'seq' | 'madeAt' | keyof Who>) => Promise<void> {
  const who = useWho()
  return (item) => putWork(who, item)
}
