import type { Installation } from '@/core/installation/installation'
import { merge } from '@/core/json/merge'

/** One change that can be undone: the document before it and after it. Parts that did not change are the same objects in both. */
export type Edit = {
  readonly label: string
  /** Edits with the same key in a row are one: a drag, a field being typed. Null once the gesture is over. */
  readonly key: string | null
  readonly before: Installation
  readonly after: Installation
}

export type History = { readonly past: readonly Edit[]; readonly future: readonly Edit[] }

const MOST_UNDO = 200

/** The history with one more edit, or with the last one longer where both are of one gesture. */
export function withEdit({ past }: History, edit: Edit): History {
  const last = past.at(-1)
  if (last && edit.key !== null && last.key === edit.key)
    return { past: [...past.slice(0, -1), { ...edit, before: last.before }], future: [] }
  return { past: [...past.slice(-(MOST_UNDO - 1)), edit], future: [] }
}

/** The history with its last gesture ended: the next edit is one of its own, whatever its key. */
export function withGestureEnded(history: History): History {
  const last = history.past.at(-1)
  return last && last.key !== null
    ? { ...history, past: [...history.past.slice(0, -1), { ...last, key: null }] }
    : history
}

/** The document with what lies between `from` and `to` done to it. What others changed since stays. */
const carried = (document: Installation, from: Installation, to: Installation): Installation =>
  document === from ? to : merge(from, to, document).value

type Moved = { readonly document: Installation; readonly history: History }

/** Null where there is nothing to undo. */
export function undone(document: Installation, { past, future }: History): Moved | null {
  const last = past.at(-1)
  return last
    ? {
        document: carried(document, last.after, last.before),
        history: { past: past.slice(0, -1), future: [last, ...future] },
      }
    : null
}

export function redone(document: Installation, { past, future }: History): Moved | null {
  const [next, ...rest] = future
  return next
    ? {
        document: carried(document, next.before, next.after),
        history: { past: [...past, { ...next, key: null }], future: rest },
      }
    : null
}
