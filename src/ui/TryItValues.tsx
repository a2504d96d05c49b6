'use client'

import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react'
import { evaluateAt, type Instant } from '@/core/derive/evaluate'
import type { Brief } from '@/core/brief/schema'
import type { Derived } from '@/core/derive/derive'
import { readMoment } from '@/core/response/moment'
import { playTime, type Stretch, type TracePoint } from '@/core/look/playTime'
import type { Machine } from '@/core/machine/compile'
import type { Response } from '@/core/response/schema'
import type { UnitPreference } from '@/core/quantity/format'
import { dateOf } from '@/core/rules/yearDay'
import { usePreference } from '@/ui/preference'
import { useToday } from '@/ui/useToday'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

type Values = Readonly<Record<string, number>>

type TryIt = {
  readonly values: Values
  readonly set: (input: string, value: number) => void
  /** Time that was let pass since the inputs were last settled. */
  readonly stretches: readonly Stretch[]
  readonly letPass: (lastsS: number, pulse: Stretch['pulse']) => void
  readonly settle: () => void
  readonly goTo: (moment: Values) => void
}
const Context = createContext<TryIt | null>(null)
const InstantContext = createContext<InstantNow | null>(null)

/** Local time in seconds since Monday 00:00. */
export const NOON_ON_TUESDAY = 86400 + 43200

/** The key of a moment in the address of the page. */
export const MOMENT_KEY = 'at'

/** Where the sliders stand at first: the middle of the target band, or of the input's range; switches off. */
function startValues(inputs: Response['inputs'], targets: Brief['targets'], date: number): Values {
  const measured = Object.fromEntries(
    inputs.map((input) => {
      if (input.kind === 'switch') return [input.id, 0]
      const target = targets.find(({ quantity }) => quantity === input.kind)
      return [input.id, target ? (target.bandFrom + target.bandTo) / 2 : (input.from + input.to) / 2]
    }),
  )
  return { ...measured, clock: NOON_ON_TUESDAY, date }
}

/** The inputs tried out on the page: one set, shared by the sliders, the chart's pointer and the rail. */
export function TryItValues({ children }: { children: ReactNode }) {
  const document = useDocument()
  const [chosen, setChosen] = useState<Values>({})
  const [stretches, setStretches] = useState<readonly Stretch[]>([])
  const set = useCallback((input: string, value: number) => setChosen((before) => ({ ...before, [input]: value })), [])
  const settle = useCallback(() => setStretches([]), [])
  const goTo = useCallback((moment: Values) => {
    setStretches([])
    setChosen(moment)
  }, [])
  // As long as inputs and targets are the same objects, so are the values: a change of a rule moves nothing here.
  const date = dateOf(useToday())
  const { inputs } = document.response
  const { targets } = document.brief
  const values = useMemo(() => ({ ...startValues(inputs, targets, date), ...chosen }), [inputs, targets, date, chosen])
  // An address someone shared brings its moment with it; the server draws the page without.
  const { response } = document
  const [isRead, setRead] = useState(false)
  useEffect(() => {
    if (isRead) return
    setRead(true)
    const moment = new URLSearchParams(window.location.search).get(MOMENT_KEY)
    if (moment !== null) setChosen(readMoment(moment, response))
  }, [isRead, response])
  const value = useMemo<TryIt>(
    () => ({
      values,
      set,
      stretches,
      letPass: (lastsS, pulse) => setStretches((before) => [...before, { values, lastsS, pulse }]),
      settle,
      goTo,
    }),
    [values, set, stretches, settle, goTo],
  )
  return (
    <Context.Provider value={value}>
      <InstantContext.Provider value={useLook(values, stretches)}>{children}</InstantContext.Provider>
    </Context.Provider>
  )
}

export function useTryIt(): TryIt {
  const held = useContext(Context)
  if (!held) throw new Error('there is no TryItValues above this component')
  return held
}

export type InstantNow = {
  readonly given: Instant | null
  readonly asked: Instant | null
  readonly response: Response
  /** Speed given while time was let pass; empty where none was. */
  readonly trace: readonly TracePoint[]
  readonly passedS: number
}

type Look = { readonly values: Values; readonly stretches: readonly Stretch[]; readonly preference: UnitPreference }

function lookAt(machine: Machine | null, derived: Derived, { values, stretches, preference }: Look) {
  if (!machine) return null
  if (stretches.length === 0)
    return { instant: evaluateAt(machine, derived, values, preference), trace: [], passedS: 0 }
  const played = playTime(machine, stretches, values)
  return { ...played, instant: evaluateAt(machine, derived, played.values, preference, played.state) }
}

/** Computed once for everyone on the page. */
function useLook(values: Values, stretches: readonly Stretch[]): InstantNow {
  const derived = useDerived()
  const preference = usePreference()
  return useMemo(() => {
    const look = { values, stretches, preference }
    const given = lookAt(derived.given.machine, derived, look)
    return {
      given: given?.instant ?? null,
      asked: lookAt(derived.asked.machine, derived, look)?.instant ?? null,
      response: derived.given.response,
      trace: given?.trace ?? [],
      passedS: given?.passedS ?? 0,
    }
  }, [derived, values, stretches, preference])
}

/** What is asked and what is given at the values tried out, after the time that was let pass. */
export function useInstant(): InstantNow {
  const held = useContext(InstantContext)
  if (!held) throw new Error('there is no TryItValues above this component')
  return held
}
