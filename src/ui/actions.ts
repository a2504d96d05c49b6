'use client'

import { useEffect, useSyncExternalStore } from 'react'

/** Something the page can do now, as find-or-do offers it. */
export type Action = { readonly label: string; readonly group: string; readonly run: () => void }

const NOTHING: readonly Action[] = []
let held: readonly (readonly Action[])[] = []
let all: readonly Action[] = NOTHING
const listeners = new Set<() => void>()

function change(next: readonly (readonly Action[])[]): void {
  held = next
  all = next.flat()
  for (const listen of listeners) listen()
}

/** Offers actions under find-or-do while the component stands. Give a list that stays the same between renderings. */
export function useActions(actions: readonly Action[]): void {
  useEffect(() => {
    change([...held, actions])
    return () => change(held.filter((other) => other !== actions))
  }, [actions])
}

const subscribe = (listen: () => void) => {
  listeners.add(listen)
  return () => listeners.delete(listen)
}

/** Everything the page can do now. */
export const useOfferedActions = (): readonly Action[] =>
  useSyncExternalStore(
    subscribe,
    () => all,
    () => NOTHING,
  )
