'use client'

import { enqueueSnackbar } from 'notistack'
import { useToday } from '@/ui/useToday'
import { createContext, useContext, useDeferredValue, useEffect, useMemo, useState, type ReactNode } from 'react'
import { useStore } from 'zustand'
import { judgeInstallation } from '@/core/advise/judge'
import type { Judgement } from '@/core/advise/judgement'
import { derive, type Derived } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import type { UnitPreference } from '@/core/quantity/format'
import { compareFacts } from '@/core/record/compare'
import { facts } from '@/core/record/facts'
import { holdOpen } from '@/ui/onSite/openLock'
import { PreferenceProvider } from '@/ui/preference'
import type { WorkingCopyState } from '@/ui/workingCopy/state'
import { createWorkingCopyStore, type WorkingCopyStore } from '@/ui/workingCopy/store'

const Context = createContext<WorkingCopyStore | null>(null)
type Following = {
  readonly derived: Derived
  readonly judgements: readonly Judgement[]
  /** How many changes lie since the last seal; null where nothing is sealed. */
  readonly changes: number | null
  /** What was sealed last; null where nothing is. */
  readonly sealed: Installation | null
}
const DerivedContext = createContext<Following | null>(null)

type Props = {
  id: string
  document: Installation
  version: number
  savedAt: string
  preference: UnitPreference
  /** What was sealed last; null where nothing is. */
  sealed: Installation | null
  children: ReactNode
}

/** Holds the working copy of one installation for all its stages, and tells other tabs what it kept. */
export function WorkingCopyProvider({ id, document, version, savedAt, preference, sealed, children }: Props) {
  // Other tabs are a matter of the browser: on the server, which has channels too, each page drawn would leave one open.
  const [channel] = useState(() => (typeof window === 'undefined' ? null : new BroadcastChannel(`gale:${id}`)))
  const [store] = useState(() =>
    createWorkingCopyStore(
      id,
      { document, version, savedAt },
      (kept) => channel?.postMessage(kept),
      (by) => enqueueSnackbar(`${by} changed something else meanwhile; both are here now.`),
    ),
  )
  useEffect(() => {
    const hear = (event: MessageEvent) => void store.getState().heard(Number(event.data))
    channel?.addEventListener('message', hear)
    void store.getState().open()
    const leave = holdOpen(id)
    // The page may be gone in a moment: what was changed is written down now.
    const settle = () => store.getState().settle()
    window.addEventListener('pagehide', settle)
    window.addEventListener('visibilitychange', settle)
    return () => {
      channel?.removeEventListener('message', hear)
      window.removeEventListener('pagehide', settle)
      window.removeEventListener('visibilitychange', settle)
      settle()
      leave()
    }
  }, [store, channel, id])
  return (
    <PreferenceProvider value={preference}>
      <Context.Provider value={store}>
        <WithDerived sealed={sealed}>{children}</WithDerived>
      </Context.Provider>
    </PreferenceProvider>
  )
}

/** What follows from the documents is computed once a change, for everyone on the page. */
function WithDerived({ sealed, children }: Pick<Props, 'sealed' | 'children'>) {
  // Fields and handles show the change at once; what follows from it is computed in a rendering that may be broken off by the next.
  const document = useDeferredValue(useWorkingCopy((state) => state.document))
  const today = useToday()
  const sealedFacts = useMemo(() => sealed && facts(sealed), [sealed])
  const value = useMemo(() => {
    const derived = derive(document)
    const changes = sealedFacts && compareFacts(sealedFacts, facts(document)).length
    return { derived, changes, sealed, judgements: judgeInstallation(document, derived, changes, today) }
  }, [document, sealed, sealedFacts, today])
  return <DerivedContext.Provider value={value}>{children}</DerivedContext.Provider>
}

function useWorkingCopyStore(): WorkingCopyStore {
  const store = useContext(Context)
  if (!store) throw new Error('there is no working copy above this component')
  return store
}

export const useWorkingCopy = <T,>(pick: (state: WorkingCopyState) => T): T => useStore(useWorkingCopyStore(), pick)

/** The document when it is asked for, without being drawn again at each change of it. */
export function useDocumentNow(): () => Installation {
  const store = useWorkingCopyStore()
  return () => store.getState().document
}

export const useDocument = (): Installation => useWorkingCopy((state) => state.document)

/** One part of the document, without being drawn again when another changes. */
export const usePart = <K extends keyof Installation>(part: K): Installation[K] =>
  useWorkingCopy((state) => state.document[part])

function useFollowing(): Following {
  const value = useContext(DerivedContext)
  if (!value) throw new Error('there is no working copy above this component')
  return value
}

export const useDerived = (): Derived => useFollowing().derived
export const useJudgements = (): readonly Judgement[] => useFollowing().judgements
export const useChanges = (): number | null => useFollowing().changes
export const useSealed = (): Installation | null => useFollowing().sealed
