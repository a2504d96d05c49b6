'use client'

import { createContext, useContext, useDeferredValue, useMemo, type ReactNode } from 'react'
import { stillOpen, type OpenItem, type ReadVerdict } from '@/core/record/stillOpen'
import { usePreference } from '@/ui/preference'
import { useToday } from '@/ui/useToday'
import { useDerived, useDocument, useJudgements } from '@/ui/workingCopy/context'

export type OpenThings = {
  readonly installationId: string
  readonly open: readonly OpenItem[]
  /** The number that the next seal would have. */
  readonly nextRevision: number
  /** Nothing has changed since the last seal. */
  readonly isSealed: boolean
}

const OpenContext = createContext<OpenThings | null>(null)

type Props = Omit<OpenThings, 'open'> & { results: readonly ReadVerdict[]; children: ReactNode }

/** The one list of what is open on an installation, worked out once a change: for the ticks, the way on, and the gate before a seal. */
export function OpenThingsProvider({ installationId, nextRevision, isSealed, results, children }: Props) {
  // A mark may come a moment after the figure that is being dragged.
  const document = useDeferredValue(useDocument())
  const derived = useDerived()
  const judgements = useJudgements()
  const preference = usePreference()
  const today = useToday()
  const open = useMemo(
    () => stillOpen(document, derived, results, preference, today, judgements),
    [document, derived, results, preference, today, judgements],
  )
  const value = useMemo(
    () => ({ installationId, open, nextRevision, isSealed }),
    [installationId, open, nextRevision, isSealed],
  )
  return <OpenContext.Provider value={value}>{children}</OpenContext.Provider>
}

/** Null where no installation is around: a page of the yard. */
export const useOpenThingsOrNone = (): OpenThings | null => useContext(OpenContext)

export function useOpenThings(): OpenThings {
  const value = useContext(OpenContext)
  if (!value) throw new Error('there is no list of open things above this component')
  return value
}
