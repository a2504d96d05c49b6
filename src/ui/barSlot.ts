import { createStore, useStore } from 'zustand'

const slotStore = createStore<{ readonly element: HTMLElement | null }>(() => ({ element: null }))

/** Ref of the place that the bar at the top keeps for the standing of what is edited below it. */
export const keepBarSlot = (element: HTMLElement | null): void => slotStore.setState({ element })

/** That place as it stands now. Page and bar come alive in any order, and the bar may be drawn anew: whoever draws into it follows it. */
export const useBarSlot = (): HTMLElement | null => useStore(slotStore, ({ element }) => element)
