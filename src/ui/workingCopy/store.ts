import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Installation } from '@/core/installation/installation'
import { checkInstallation } from '@/core/installation/checkInstallation'
import { newProblems } from '@/core/installation/open'
import { problemLine, type Problem } from '@/core/json/problem'
import { fetchCopy, sendChange, type FetchedCopy } from '@/ui/workingCopy/send'
import { clearUnsent, dropUnsent, readUnsent, writeUnsent } from '@/ui/workingCopy/unsent'

enablePatches()

/** Where the working copy stands towards the server. */
type Standing =
  | { readonly kind: 'kept'; readonly savedAt: string }
  | { readonly kind: 'keeping' }
  | { readonly kind: 'waiting'; readonly why: 'gone' | 'busy' | 'full' | 'unknown' | 'signed-out' }
  /** Not for this role: it is shown, and not kept anywhere but here. */
  | { readonly kind: 'forbidden'; readonly text: string }
  | { readonly kind: 'contradicts'; readonly problems: readonly Problem[] }
  | { readonly kind: 'behind'; readonly savedBy: string; readonly savedAt: string }

type Edit = {
  readonly label: string
  readonly key: string | null
  readonly forth: readonly Patch[]
  readonly back: readonly Patch[]
}

export type WorkingCopyState = {
  readonly id: string
  readonly document: Installation
  readonly version: number
  readonly standing: Standing
  /** What contradicts itself in the document as it was opened, as far as it still does. */
  readonly marked: readonly Problem[]
  readonly past: readonly Edit[]
  readonly future: readonly Edit[]
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
  /** Another tab, or someone else, kept this version: it is taken over where nothing of one’s own waits, and true is the answer; otherwise this page
   *  is behind, and asks. */
  readonly heard: (version: number, by?: string) => Promise<boolean>
  readonly open: () => Promise<void>
}

const SEND_AFTER_MS = 150
const RETRY_AFTER_MS = 2000
const MOST_UNDO = 200

export type WorkingCopyStore = StoreApi<WorkingCopyState>

/** The one home of an installation's documents in the page: edits as patches, undo and redo, and keeping them on the server. */
export function createWorkingCopyStore(
  id: string,
  start: { document: Installation; version: number; savedAt: string },
  announce: (version: number) => void,
): WorkingCopyStore {
  let timer: ReturnType<typeof setTimeout> | undefined
  let isSending = false
  // The change that is on its way or owed; a new one after it gets a new id.
  let owed: { saveId: string } | null = null
  // What stood in the stored document already does not hold up other changes.
  let opened: readonly Problem[] = checkInstallation(start.document)

  return createStore<WorkingCopyState>()((set, get) => {
    const later = (ms: number) => {
      clearTimeout(timer)
      timer = setTimeout(() => void send(), ms)
    }

    async function send(): Promise<void> {
      if (isSending || !owed || get().standing.kind === 'behind') return
      const { document, version } = get()
      const { saveId } = owed
      isSending = true
      const answer = await sendChange(id, { baseVersion: version, saveId, document })
      isSending = false
      switch (answer.kind) {
        case 'done': {
          clearUnsent(id, saveId)
          announce(answer.version)
          const isLast = owed.saveId === saveId
          if (isLast) owed = null
          else writeUnsent(id, { baseVersion: answer.version, saveId: owed.saveId, document: get().document })
          set({
            version: answer.version,
            standing: isLast ? { kind: 'kept', savedAt: answer.savedAt } : { kind: 'keeping' },
          })
          if (!isLast) later(0)
          return
        }
        case 'behind':
          set({ standing: { kind: 'behind', savedBy: answer.savedBy, savedAt: answer.savedAt } })
          return
        case 'invalid':
          set({ standing: { kind: 'contradicts', problems: answer.problems } })
          return
        case 'unknown':
        case 'signed-out':
        case 'unavailable':
          set({ standing: { kind: 'waiting', why: answer.kind === 'unavailable' ? answer.why : answer.kind } })
          later(RETRY_AFTER_MS)
          return
        case 'forbidden':
          owed = null
          dropUnsent(id)
          set({ standing: { kind: 'forbidden', text: answer.text } })
      }
    }

    /** Owes the server the document as it is now, unless it contradicts itself: then it waits in the browser until it does not. */
    function owe(document: Installation): void {
      owed = { saveId: crypto.randomUUID() }
      writeUnsent(id, { baseVersion: get().version, saveId: owed.saveId, document })
      if (get().standing.kind === 'behind') return
      const all = checkInstallation(document)
      const problems = newProblems(opened, all)
      set({ marked: opened.filter((problem) => all.some((other) => problemLine(other) === problemLine(problem))) })
      if (problems.length > 0) {
        clearTimeout(timer)
        set({ standing: { kind: 'contradicts', problems } })
        return
      }
      set({ standing: { kind: 'keeping' } })
      later(SEND_AFTER_MS)
    }

    function change(document: Installation, history: Pick<WorkingCopyState, 'past' | 'future'>): void {
      set({ document, ...history })
      owe(document)
    }

    const take = ({ document, version, savedAt }: FetchedCopy) => {
      owed = null
      dropUnsent(id)
      opened = checkInstallation(document)
      set({ marked: opened, document, version, past: [], future: [], standing: { kind: 'kept', savedAt } })
    }

    return {
      id,
      document: start.document,
      marked: opened,
      version: start.version,
      standing: { kind: 'kept', savedAt: start.savedAt },
      past: [],
      future: [],
      edit(label, recipe, key) {
        const { document, past } = get()
        // In braces: what a recipe happens to return (the result of a splice) is not a document.
        const [next, forth, back] = produceWithPatches(document, (draft) => {
          recipe(draft)
        })
        if (forth.length === 0) return
        const last = past[past.length - 1]
        const joined =
          last && key !== undefined && last.key === key
            ? { label, key, forth: [...last.forth, ...forth], back: [...back, ...last.back] }
            : null
        const kept = joined
          ? [...past.slice(0, -1), joined]
          : [...past.slice(-MOST_UNDO), { label, key: key ?? null, forth, back }]
        change(next, { past: kept, future: [] })
      },
      cure(label, apply) {
        const { document, past } = get()
        const next = apply(document)
        const [, forth, back] = produceWithPatches(document, () => next)
        change(next, { past: [...past, { label, key: null, forth, back }], future: [] })
      },
      endGesture() {
        const { past } = get()
        const last = past[past.length - 1]
        if (last && last.key !== null) set({ past: [...past.slice(0, -1), { ...last, key: null }] })
      },
      undo() {
        const { document, past, future } = get()
        const last = past[past.length - 1]
        if (last) change(applyPatches(document, [...last.back]), { past: past.slice(0, -1), future: [last, ...future] })
      },
      redo() {
        const { document, past, future } = get()
        const [next, ...rest] = future
        if (next)
          change(applyPatches(document, [...next.forth]), { past: [...past, { ...next, key: null }], future: rest })
      },
      async takeTheirs() {
        const theirs = await fetchCopy(id)
        if (theirs) take(theirs)
      },
      async keepMine() {
        const theirs = await fetchCopy(id)
        if (!theirs) return
        set({ version: theirs.version, standing: { kind: 'keeping' } })
        owe(get().document)
      },
      retry: () => later(0),
      async heard(version, by = 'another tab') {
        const isNews = () => version > get().version && !isSending && get().standing.kind !== 'behind'
        if (!isNews()) return false
        if (!owed && get().standing.kind === 'kept') {
          const theirs = await fetchCopy(id)
          // Meanwhile a hand may have changed something here.
          if (theirs && theirs.version > get().version && !owed && !isSending) {
            take(theirs)
            return true
          }
        }
        if (isNews()) set({ standing: { kind: 'behind', savedBy: by, savedAt: new Date().toISOString() } })
        return false
      },
      /** Looks at what the server has now, and at what this browser still owes it from before. */
      async open() {
        const unsent = readUnsent(id)
        const theirs = await fetchCopy(id)
        if (owed) return
        if (unsent) {
          owed = { saveId: unsent.saveId }
          set({ document: unsent.document, version: unsent.baseVersion, standing: { kind: 'keeping' } })
          if (newProblems(opened, checkInstallation(unsent.document)).length > 0) owe(unsent.document)
          else later(0)
        } else if (theirs && theirs.version > get().version) take(theirs)
      },
    }
  })
}
