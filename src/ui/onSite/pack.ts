import type { ControllerModel } from '@/core/controller/schema'
import type { Installation } from '@/core/installation/installation'
import type { UnitPreference } from '@/core/quantity/format'
import type { LocalRule } from '@/core/record/localRule'
import type { PaperResult, PaperSeal } from '@/core/record/sealed'

/** A result of a check as a page shows it. */
export type ShownResult = PaperResult & { readonly id: string }

/** A seal as a page shows it. */
export type ShownRevision = Omit<PaperSeal, 'isWaiting'> & { readonly id: string }

export type ShownLogEntry = {
  readonly id: string
  readonly text: string
  readonly writtenBy: string
  readonly writtenAt: string
  readonly corrects: string | null
}

export type ShownPhoto = {
  readonly id: string
  readonly about: string
  readonly caption: string
  readonly takenBy: string
  readonly takenAt: string
}

/** Everything of one installation that its pages draw, so that they can be drawn without the server. */
export type Pack = {
  readonly id: string
  readonly workspaceId: string
  readonly personId: string
  readonly personName: string
  readonly role: string
  readonly maySeal: boolean
  readonly mayWork: boolean
  readonly preference: UnitPreference
  readonly siteName: string
  readonly document: Installation
  readonly version: number
  readonly savedAt: string
  readonly results: readonly ShownResult[]
  readonly revisions: readonly ShownRevision[]
  readonly lastSealed: Installation | null
  readonly log: readonly ShownLogEntry[]
  readonly photos: readonly ShownPhoto[]
  readonly models: readonly ControllerModel[]
  /** The workspace’s own; a pack that was taken along before there were any has none. */
  readonly localRules?: readonly LocalRule[]
  readonly takenAt: string
  /** Taken along by hand, or only opened here lately. */
  readonly isByHand?: boolean
}
