import { createStore, useStore } from 'zustand'

const KEY = 'gale-tour'

/** Which step somebody is at; null where no tour is on. It lasts as long as the window, also over a page that is loaded anew. */
const tour = createStore<{ readonly at: number | null }>(() => ({ at: null }))

const keep = (at: number | null): void => {
  tour.setState({ at })
  if (at === null) sessionStorage.removeItem(KEY)
  else sessionStorage.setItem(KEY, String(at))
}

export const startTour = (): void => keep(0)
export const endTour = (): void => keep(null)
export const goOn = (): void => keep((tour.getState().at ?? 0) + 1)

/** Takes up the tour of this window where there is one. */
export function resumeTour(): void {
  const at = sessionStorage.getItem(KEY)
  if (at !== null && /^\d$/.test(at)) tour.setState({ at: Number(at) })
}

export const useTourAt = (): number | null => useStore(tour, ({ at }) => at)
