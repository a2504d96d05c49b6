import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { useIsLive } from '@/ui/useIsLive'

/** What a row of the yard may show beside its name and its standing, in their order, with the width each takes. */
export const YARD_COLUMNS = {
  rail: { name: 'Speed mid-band, 0 to 100 %', width: 'minmax(90px, 1.2fr)' },
  speed: { name: 'Speed', width: '64px' },
  gives: { name: 'Gives', width: '98px' },
  check: { name: 'Next check', width: '96px' },
} as const

export type YardColumn = keyof typeof YARD_COLUMNS
export const COLUMN_IDS = Object.keys(YARD_COLUMNS) as YardColumn[]

type Shown = { readonly hidden: readonly YardColumn[]; readonly toggle: (column: YardColumn) => void }

/** Which of them this browser leaves out. */
const useKept = create<Shown>()(
  persist(
    (set) => ({
      hidden: [],
      toggle: (column) =>
        set(({ hidden }) => ({
          hidden: hidden.includes(column) ? hidden.filter((one) => one !== column) : [...hidden, column],
        })),
    }),
    { name: 'gale-yard-columns' },
  ),
)

const NONE: readonly YardColumn[] = []

/** The same on a page: as the server draws it first, with all of them. */
export function useYardColumns(): Shown {
  const kept = useKept()
  return useIsLive() ? kept : { ...kept, hidden: NONE }
}
