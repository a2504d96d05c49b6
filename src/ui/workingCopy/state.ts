import type { Installation } from '@/core/installation/installation'
import type { Problem } from '@/core/json/problem'
import type { History } from '@/ui/workingCopy/history'
import type { Standing } from '@/ui/workingCopy/sync'

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
  /** Nobody looks at it any more: nothing is sent from now on. */
  readonly end: () => void
  /** Looks at what was changed now, and puts it into the browser’s memory: the page may be gone in a moment. */
  readonly settle: () => void
}
