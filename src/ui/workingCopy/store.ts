import { produce } from 'immer'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Installation } from '@/core/installation/installation'
import { redone, undone, withEdit, withGestureEnded, type History } from '@/ui/workingCopy/history'
import { Keeper, type Start } from '@/ui/workingCopy/keeper'
import type { WorkingCopyState } from '@/ui/workingCopy/state'

export type WorkingCopyStore = StoreApi<WorkingCopyState>

/** The one home of an installation's documents in the page: edits, undo and redo, and keeping them on the server.
 *  @param onMerged tells who reads that what somebody else kept was put together with their own */
export function createWorkingCopyStore(
  id: string,
  start: Start,
  announce: (version: number) => void,
  onMerged: (savedBy: string) => void = () => undefined,
): WorkingCopyStore {
  return createStore<WorkingCopyState>()((set, get, shown) => {
    const keeper = new Keeper(id, start, { announce, onMerged }, shown)

    function change(document: Installation, history: History): void {
      set({ document, ...history })
      keeper.touched()
    }

    function put(label: string, document: Installation, key: string | null): void {
      const { document: before, past, future } = get()
      if (document !== before) change(document, withEdit({ past, future }, { label, key, before, after: document }))
    }

    return {
      id,
      document: start.document,
      ...keeper.first,
      past: [],
      future: [],
      edit(label, recipe, key) {
        // In braces: what a recipe happens to return (the result of a splice) is not a document.
        const next = produce(get().document, (draft) => {
          recipe(draft)
        })
        put(label, next, key ?? null)
      },
      cure: (label, apply) => put(label, apply(get().document), null),
      endGesture: () => set(withGestureEnded(get())),
      undo() {
        const moved = undone(get().document, get())
        if (moved) change(moved.document, moved.history)
      },
      redo() {
        const moved = redone(get().document, get())
        if (moved) change(moved.document, moved.history)
      },
      settle: () => keeper.settle(),
      takeTheirs: () => keeper.takeTheirs(),
      keepMine: () => keeper.keepMine(),
      retry: () => keeper.retry(),
      heard: (version) => keeper.heard(version),
      open: () => keeper.open(),
      end: () => keeper.end(),
    }
  })
}
