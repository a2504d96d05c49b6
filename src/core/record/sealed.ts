import type { Installation } from '@/core/installation/installation'
import type { Finding } from '@/core/prove/finding'
import type { VerdictKind } from '@/core/prove/verdict'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import type { LocalRule } from '@/core/record/localRule'
import type { OpenItem } from '@/core/record/stillOpen'

/** What papers know of a seal. */
export type PaperSeal = {
  readonly number: number
  readonly reason: string
  readonly sealedBy: string
  readonly sealedAt: string
  readonly signedAt: string | null
  readonly signature: string | null
  readonly fingerprint: string
  readonly open: readonly OpenItem[] | null
  /** The workspace’s own rules as they stood when it was sealed. */
  readonly localRules?: readonly LocalRule[]
  /** It was signed, and the server has not sealed it yet. */
  readonly isWaiting?: boolean
}

export type PaperResult = {
  readonly check: string
  readonly given: string
  readonly verdict: VerdictKind
  readonly finding: Finding
  readonly note: string
  readonly readBy: string
  readonly readAt: string
}

type PaperPhoto = { readonly caption: string; readonly takenAt: string; readonly dataUrl: string }

/** What every paper is made of: a document, the seal it is of (null: the working copy), and what was read. */
export type Sealed = {
  readonly document: Installation
  readonly siteName: string
  readonly seal: PaperSeal | null
  readonly results: readonly PaperResult[]
  /** What the revision before sealed; null where there is none. */
  readonly before: Installation | null
  readonly photos: readonly PaperPhoto[]
  /** The record’s permanent address; null where nobody knows it. */
  readonly address: string | null
  readonly preference: UnitPreference
}

/** The same where only a document is known. */
export const unsealed = (document: Installation, siteName = ''): Sealed => ({
  document,
  siteName,
  seal: null,
  results: [],
  before: null,
  photos: [],
  address: null,
  preference: METRIC,
})
