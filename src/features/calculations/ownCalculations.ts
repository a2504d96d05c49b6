import { create } from 'zustand'
import { persist } from 'zustand/middleware'

const MOST_RECENT = 6

type Own = {
  readonly favourites: readonly string[]
  /** Used last, the newest first. */
  readonly recent: readonly string[]
  /** The unit somebody asked a result in, by calculation and result. */
  readonly units: Readonly<Record<string, string>>
  readonly toggleFavourite: (id: string) => void
  readonly note: (id: string) => void
  readonly readIn: (id: string, output: string, symbol: string) => void
}

const unitKey = (id: string, output: string): string => `${id}.${output}`

/** What this browser remembers of calculations: those somebody likes, those used last, and in which unit a result was wanted. */
export const useOwnCalculations = create<Own>()(
  persist(
    (set) => ({
      favourites: [],
      recent: [],
      units: {},
      toggleFavourite: (id) =>
        set(({ favourites }) => ({
          favourites: favourites.includes(id) ? favourites.filter((one) => one !== id) : [...favourites, id],
        })),
      note: (id) =>
        set(({ recent }) => ({ recent: [id, ...recent.filter((one) => one !== id)].slice(0, MOST_RECENT) })),
      readIn: (id, output, symbol) => set(({ units }) => ({ units: { ...units, [unitKey(id, output)]: symbol } })),
    }),
    { name: 'gale-calculations' },
  ),
)

/** The units remembered of one calculation, by result. */
export const unitsOf = (units: Own['units'], id: string): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(units).flatMap(([key, symbol]) =>
      key.startsWith(`${id}.`) ? [[key.slice(id.length + 1), symbol]] : [],
    ),
  )
