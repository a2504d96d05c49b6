import { create } from 'zustand'
import { persist } from 'zustand/middleware'

type Ticked = Readonly<Record<string, readonly string[]>>
type Ticks = {
  /** Ids of what is done, by installation. */
  readonly done: Ticked
  /** From when to when the power was away, as typed. */
  readonly from: string
  readonly to: string
  readonly tick: (installation: string, item: string, isDone: boolean) => void
  readonly setTimes: (times: { readonly from?: string; readonly to?: string }) => void
  /** It is in the log: the list begins anew. */
  readonly clear: (installation: string) => void
}

/** What is ticked on this device and not yet in the log; it outlasts a reload and a flat battery. */
export const useTicks = create<Ticks>()(
  persist(
    (set) => ({
      done: {},
      from: '',
      to: '',
      tick: (installation, item, isDone) =>
        set(({ done }) => {
          const others = (done[installation] ?? []).filter((id) => id !== item)
          return { done: { ...done, [installation]: isDone ? [...others, item] : others } }
        }),
      setTimes: (times) => set(times),
      clear: (installation) => set(({ done }) => ({ done: { ...done, [installation]: [] } })),
    }),
    { name: 'gale-after-outage' },
  ),
)
