'use client'

import { useEffect } from 'react'
import { useStore } from 'zustand'
import { createStore } from 'zustand/vanilla'

/** Something the page can do now, as find-or-do offers it. */
export type Action = { readonly label: string; readonly group: string; readonly run: () => void }

type Offered = { readonly lists: readonly (readonly Action[])[]; readonly all: readonly Action[] }

/** The lists of the components that stand now. */
const offered = createStore<Offered>(() => ({ lists: [], all: [] }))

const change = (lists: Offered['lists']) => offered.setState({ lists, all: lists.flat() })

/** Offers actions under find-or-do while the component stands. Give a list that stays the same between renderings. */
export function useActions(actions: readonly Action[]): void {
  useEffect(() => {
    change([...offered.getState().lists, actions])
    return () => change(offered.getState().lists.filter((other) => other !== actions))
  }, [actions])
}

/** Everything the page can do now. */
export const useOfferedActions = (): readonly Action[] => useStore(offered, ({ all }) => all)
