import { produce } from 'immer'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { checkInstallation } from '@/core/installation/checkInstallation'
import type { Installation } from '@/core/installation/installation'
import { newProblems } from '@/core/installation/newProblems'
import { merge } from '@/core/json/merge'
import type { Problem } from '@/core/json/problem'
import { problemLine } from '@/core/words/problems'
import { redone, undone, withEdit, withGestureEnded, type History } from '@/ui/workingCopy/history'
import { fetchCopy, sendChange, type FetchedCopy } from '@/ui/workingCopy/send'
import { sync, type Standing, type SyncEffect, type SyncEvent, type SyncState } from '@/ui/workingCopy/sync'
import { clearUnsent, dropUnsent, readUnsent, writeUnsent } from '@/ui/workingCopy/unsent'

export type WorkingCopyState = History & {
  readonly id: string
  readonly document: Installation
  readonly version: number
  readonly standing: Standing
  /** What contradicts itself in the document as it was opened, as far as it still does. */
  readonly marked: readonly Problem[]
  /** Changes the document. Edits with the same `key` in a row are one for undo: a drag, a field being typed. */
  readonly edit: (label: string, recipe: (draft: Installation) => void, key?: string) => void
  /** Puts in the place of this document what a cure makes of it, as one change. */
  readonly cure: (label: string, apply: (document: Installation) => Installation) => void
  readonly endGesture: () => void
  readonly undo: () => void
  readonly redo: () => void
  readonly takeTheirs: () => Promise<void>
  readonly keepMine: () => Promise<void>
  readonly retry: () => void
  /** Another tab, or someone else, kept this version: it is taken over where nothing of one’s own waits, and true is the answer. Where
   *  something does, both are put together when it is sent. */
  readonly heard: (version: number) => Promise<boolean>
  readonly open: () => Promise<void>
  /** Looks at what was changed now, and puts it into the browser’s memory: the page may be gone in a moment. */
  readonly settle: () => void
}

/** What is changed is looked at and written down this long after, not at each move of a finger. */
const SETTLE_AFTER_MS = 100

export type WorkingCopyStore = StoreApi<WorkingCopyState>

/** The one home of an installation's documents in the page: edits, undo and redo, and keeping them on the server. */
export function createWorkingCopyStore(
  id: string,
  start: { document: Installation; version: number; savedAt: string },
  announce: (version: number) => void,
  /** Tells who reads that what somebody else kept was put together with their own. */
  onMerged: (savedBy: string) => void = () => undefined,
): WorkingCopyStore {
  let state: SyncState = {
    version: start.version,
    standing: { kind: 'kept', savedAt: start.savedAt },
    owed: null,
    isTouched: false,
    sending: null,
  }
  let sendTimer: ReturnType<typeof setTimeout> | undefined
  let settleTimer: ReturnType<typeof setTimeout> | undefined
  // What the server has under `version`, and what it has once the change on its way is acknowledged.
  let kept: Installation | null = start.document
  let sent: Installation | null = null
  // What stood in the stored document already does not hold up other changes.
  let opened: readonly Problem[] = checkInstallation(start.document)

  return createStore<WorkingCopyState>()((set, get) => {
    function on(event: SyncEvent): void {
      const next = sync(state, event)
      state = next.state
      set({ version: state.version, standing: state.standing })
      for (const effect of next.effects) carryOut(effect)
    }

    function carryOut(effect: SyncEffect): void {
      switch (effect.kind) {
        case 'write':
          if (state.owed !== null)
            writeUnsent(id, { baseVersion: state.version, saveId: state.owed, document: get().document, base: kept })
          return
        case 'drop':
          if (effect.saveId === null) dropUnsent(id)
          else clearUnsent(id, effect.saveId)
          return
        case 'wait':
          clearTimeout(sendTimer)
          return
        case 'later':
          clearTimeout(sendTimer)
          sendTimer = setTimeout(() => {
            // What is sent is what was looked at.
            settle()
            on({ kind: 'due' })
          }, effect.afterMs)
          return
        case 'send':
          void send(effect.saveId, effect.baseVersion)
          return
        case 'acknowledge':
          kept = sent
          return
        case 'announce':
          announce(effect.version)
          return
        case 'merge':
          void putTogether(effect)
      }
    }

    async function send(saveId: string, baseVersion: number): Promise<void> {
      sent = get().document
      on({ kind: 'answered', saveId, answer: await sendChange(id, { baseVersion, saveId, document: sent }) })
    }

    async function putTogether({ savedBy, savedAt }: { savedBy: string; savedAt: string }): Promise<void> {
      const theirs = await fetchCopy(id)
      if (!theirs) return on({ kind: 'not-fetched' })
      const { document } = get()
      const both = kept && merge(kept, document, theirs.document)
      const isWhole = both !== null && both.conflicts.length === 0 && contradictions(both.value).length === 0
      if (!isWhole) {
        const { bothChanged } = await import('@/core/record/bothChanged')
        return on({
          kind: 'clashed',
          savedBy,
          savedAt,
          places: kept ? bothChanged(kept, document, theirs.document) : [],
        })
      }
      kept = theirs.document
      set({ document: both.value })
      on({ kind: 'merged', version: theirs.version, saveId: crypto.randomUUID() })
      onMerged(savedBy)
    }

    const contradictions = (document: Installation): Problem[] => newProblems(opened, checkInstallation(document))

    function settle(): void {
      if (settleTimer === undefined) return
      clearTimeout(settleTimer)
      settleTimer = undefined
      const all = checkInstallation(get().document)
      set({ marked: opened.filter((problem) => all.some((other) => problemLine(other) === problemLine(problem))) })
      on({ kind: 'changed', saveId: crypto.randomUUID(), problems: newProblems(opened, all) })
    }

    function change(document: Installation, history: History): void {
      set({ document, ...history })
      settleTimer ??= setTimeout(settle, SETTLE_AFTER_MS)
      on({ kind: 'touched' })
    }

    function put(label: string, document: Installation, key: string | null): void {
      const { document: before, past, future } = get()
      if (document !== before) change(document, withEdit({ past, future }, { label, key, before, after: document }))
    }

    function take({ document, version, savedAt }: FetchedCopy): void {
      clearTimeout(settleTimer)
      settleTimer = undefined
      kept = document
      opened = checkInstallation(document)
      set({ marked: opened, document, past: [], future: [] })
      on({ kind: 'taken', version, savedAt })
    }

    const hasOwn = () => state.owed !== null || state.isTouched

    return {
      id,
      document: start.document,
      marked: opened,
      version: state.version,
      standing: state.standing,
      past: [],
      future: [],
      settle,
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
      async takeTheirs() {
        const theirs = await fetchCopy(id)
        if (theirs) take(theirs)
      },
      async keepMine() {
        const theirs = await fetchCopy(id)
        if (!theirs) return
        kept = theirs.document
        on({ kind: 'insisted', version: theirs.version })
        settleTimer ??= setTimeout(settle, 0)
      },
      retry: () => carryOut({ kind: 'later', afterMs: 0 }),
      async heard(version) {
        if (version <= state.version || hasOwn() || state.standing.kind !== 'kept') return false
        const theirs = await fetchCopy(id)
        // Meanwhile a hand may have changed something here.
        if (!theirs || theirs.version <= state.version || hasOwn()) return false
        take(theirs)
        return true
      },
      /** Looks at what the server has now, and at what this browser still owes it from before. */
      async open() {
        const [unsent, theirs] = await Promise.all([readUnsent(id), fetchCopy(id)])
        if (hasOwn()) return
        if (unsent) {
          kept = unsent.base ?? (theirs?.version === unsent.baseVersion ? theirs.document : null)
          set({ document: unsent.document })
          on({ kind: 'found', version: unsent.baseVersion, saveId: unsent.saveId })
          if (contradictions(unsent.document).length > 0) settleTimer ??= setTimeout(settle, 0)
        } else if (theirs && theirs.version > state.version) take(theirs)
      },
    }
  })
}
