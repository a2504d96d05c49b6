'use client'

import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react'
import { evaluateAt, type Instant } from '@/core/evaluate'
import type { Installation } from '@/core/document/installation'
import type { Response } from '@/core/response/schema'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

type Values = Readonly<Record<string, number>>

const Context = createContext<{ values: Values; set: (input: string, value: number) => void } | null>(null)

/** Local time in seconds since Monday 00:00. */
export const NOON_ON_TUESDAY = 86400 + 43200

/** Where the sliders stand at first: the middle of the target band, or of the input's range; switches off. */
function startValues({ response, brief }: Installation): Values {
  const measured = Object.fromEntries(
    response.inputs.map((input) => {
      if (input.kind === 'switch') return [input.id, 0]
      const target = brief.targets.find(({ quantity }) => quantity === input.kind)
      return [input.id, target ? (target.bandFrom + target.bandTo) / 2 : (input.from + input.to) / 2]
    }),
  )
  return { ...measured, clock: NOON_ON_TUESDAY }
}

/** The inputs tried out on the page: one set, shared by the sliders, the chart's pointer and the rail. */
export function TryItValues({ children }: { children: ReactNode }) {
  const document = useDocument()
  const [chosen, setChosen] = useState<Values>({})
  const set = useCallback((input: string, value: number) => setChosen((before) => ({ ...before, [input]: value })), [])
  const value = useMemo(() => ({ values: { ...startValues(document), ...chosen }, set }), [document, chosen, set])
  return <Context.Provider value={value}>{children}</Context.Provider>
}

export function useTryIt() {
  const held = useContext(Context)
  if (!held) throw new Error('there is no TryItValues above this component')
  return held
}

export type InstantNow = { readonly given: Instant | null; readonly asked: Instant | null; readonly response: Response }

/** What is asked and what is given at the values tried out. */
export function useInstant(): InstantNow {
  const derived = useDerived()
  const { values } = useTryIt()
  const preference = usePreference()
  return useMemo(
    () => ({
      given: derived.given.machine && evaluateAt(derived.given.machine, derived, values, preference),
      asked: derived.asked.machine && evaluateAt(derived.asked.machine, derived, values, preference),
      response: derived.given.response,
    }),
    [derived, values, preference],
  )
}
