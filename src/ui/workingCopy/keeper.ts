import type { StoreApi } from 'zustand/vanilla'
import { checkInstallation } from '@/core/installation/checkInstallation'
import type { Installation } from '@/core/installation/installation'
import { newProblems } from '@/core/installation/newProblems'
import { merge } from '@/core/json/merge'
import type { Problem } from '@/core/json/problem'
import { problemLine } from '@/core/words/problems'
import { fetchCopy, sendChange, type FetchedCopy } from '@/ui/workingCopy/send'
import { keepInPack } from '@/ui/onSite/along'
import { browserStore } from '@/ui/onSite/browserStore'
import type { WorkingCopyState } from '@/ui/workingCopy/state'
import { sync, type SyncEffect, type SyncEvent, type SyncState } from '@/ui/workingCopy/sync'
import { clearUnsent, dropUnsent, readUnsent, writeUnsent } from '@/ui/workingCopy/unsent'

/** What is changed is looked at and written down this long after, not at each move of a finger. */
const SETTLE_AFTER_MS = 100

export type Start = { readonly document: Installation; readonly version: number; readonly savedAt: string }

/** So many of one’s own changes are told apart from somebody else’s. */
const MOST_UNHEARD = 20

type Told = {
  /** Tells other tabs of a version that was kept. */
  readonly announce: (version: number) => void
  /** Tells who reads that what somebody else kept was put together with their own. */
  readonly onMerged: (savedBy: string) => void
}

type Shown = Pick<StoreApi<WorkingCopyState>, 'setState' | 'getState'>

/** Keeps an installation's document on the server: what `sync` decides is carried out here, with timers, requests and the browser's memory. */
export class Keeper {
  private state: SyncState
  private sendTimer: ReturnType<typeof setTimeout> | undefined
  private settleTimer: ReturnType<typeof setTimeout> | undefined
  /** What the server has under its version; null where nobody knows. */
  private kept: Installation | null
  /** What it has once the change on its way is acknowledged. */
  private sent: Installation | null = null
  /** Changes that went out and whose answers have not come: the server may have kept any of them. */
  private unheard: readonly string[] = []
  /** What stood in the stored document already does not hold up other changes. */
  private opened: readonly Problem[]

  constructor(
    private readonly id: string,
    start: Start,
    private readonly told: Told,
    private readonly shown: Shown,
  ) {
    this.state = {
      version: start.version,
      standing: { kind: 'kept', savedAt: start.savedAt },
      owed: null,
      isTouched: false,
      sending: null,
    }
    this.kept = start.document
    this.opened = checkInstallation(start.document)
  }

  /** What the store begins with. */
  get first(): Pick<WorkingCopyState, 'version' | 'standing' | 'marked'> {
    return { version: this.state.version, standing: this.state.standing, marked: this.opened }
  }

  private get document(): Installation {
    return this.shown.getState().document
  }

  private get hasOwn(): boolean {
    return this.state.owed !== null || this.state.isTouched
  }

  private on(event: SyncEvent): void {
    const next = sync(this.state, event)
    this.state = next.state
    this.shown.setState({ version: this.state.version, standing: this.state.standing })
    for (const effect of next.effects) this.carryOut(effect)
  }

  private carryOut(effect: SyncEffect): void {
    const { id, state } = this
    switch (effect.kind) {
      case 'write':
        if (state.owed !== null)
          writeUnsent(id, {
            baseVersion: state.version,
            saveId: state.owed,
            document: this.document,
            base: this.kept,
            unheard: this.unheard,
          })
        return
      case 'drop':
        if (effect.saveId === null) dropUnsent(id)
        else clearUnsent(id, effect.saveId)
        return
      case 'wait':
        clearTimeout(this.sendTimer)
        return
      case 'later':
        clearTimeout(this.sendTimer)
        this.sendTimer = setTimeout(() => {
          // What is sent is what was looked at.
          this.settle()
          this.on({ kind: 'due' })
        }, effect.afterMs)
        return
      case 'send':
        void this.send(effect.saveId, effect.baseVersion)
        return
      case 'acknowledge':
        this.kept = this.sent
        return
      case 'announce':
        this.told.announce(effect.version)
        return
      case 'merge':
        void this.putTogether(effect)
    }
  }

  private async send(saveId: string, baseVersion: number): Promise<void> {
    this.sent = this.document
    const { sent } = this
    this.unheard = [...this.unheard.filter((one) => one !== saveId).slice(1 - MOST_UNHEARD), saveId]
    const answer = await sendChange(this.id, { baseVersion, saveId, document: sent })
    // What was kept now stands on all that went before.
    if (answer.kind === 'done') this.unheard = []
    // Into what is along before it goes out of what waits: at no moment does this browser have neither.
    if (answer.kind === 'done' && browserStore())
      await keepInPack(this.id, { document: sent, version: answer.version, savedAt: answer.savedAt })
    this.on({ kind: 'answered', saveId, answer })
  }

  private async putTogether({ savedBy, savedAt }: { savedBy: string; savedAt: string }): Promise<void> {
    const theirs = await fetchCopy(this.id)
    if (!theirs) return this.on({ kind: 'not-fetched' })
    const { document } = this
    // What one sent oneself, and never heard of again, is what one’s own stands on.
    const isOwn = this.unheard.includes(theirs.saveId)
    const kept = isOwn ? theirs.document : this.kept
    const both = kept && merge(kept, document, theirs.document)
    const isWhole = both !== null && both.conflicts.length === 0 && this.contradictions(both.value).length === 0
    if (!isWhole) {
      const { bothChanged } = await import('@/core/record/bothChanged')
      const places = kept ? bothChanged(kept, document, theirs.document) : []
      return this.on({ kind: 'clashed', savedBy, savedAt, places })
    }
    this.kept = theirs.document
    this.shown.setState({ document: both.value })
    this.on({ kind: 'merged', version: theirs.version, saveId: crypto.randomUUID() })
    if (!isOwn) this.told.onMerged(savedBy)
  }

  private contradictions(document: Installation): Problem[] {
    return newProblems(this.opened, checkInstallation(document))
  }

  private take({ document, version, savedAt }: FetchedCopy): void {
    clearTimeout(this.settleTimer)
    this.settleTimer = undefined
    this.kept = document
    this.opened = checkInstallation(document)
    this.shown.setState({ marked: this.opened, document, past: [], future: [] })
    this.on({ kind: 'taken', version, savedAt })
    void keepInPack(this.id, { document, version, savedAt })
  }

  private settleAfter(afterMs: number): void {
    this.settleTimer ??= setTimeout(() => {
      this.settle()
    }, afterMs)
  }

  /** Looks at what was changed now, and puts it into the browser's memory: the page may be gone in a moment. */
  settle(): void {
    if (this.settleTimer === undefined) return
    clearTimeout(this.settleTimer)
    this.settleTimer = undefined
    const all = checkInstallation(this.document)
    const marked = this.opened.filter((problem) => all.some((other) => problemLine(other) === problemLine(problem)))
    this.shown.setState({ marked })
    this.on({ kind: 'changed', saveId: crypto.randomUUID(), problems: newProblems(this.opened, all) })
  }

  /** The document is another one now. */
  touched(): void {
    this.settleAfter(SETTLE_AFTER_MS)
    this.on({ kind: 'touched' })
  }

  /** Settles what was changed and sends nothing more: what waits lies in the browser’s memory. */
  end(): void {
    this.settle()
    clearTimeout(this.sendTimer)
  }

  retry(): void {
    this.carryOut({ kind: 'later', afterMs: 0 })
  }

  async takeTheirs(): Promise<void> {
    const theirs = await fetchCopy(this.id)
    if (theirs) this.take(theirs)
  }

  async keepMine(): Promise<void> {
    const theirs = await fetchCopy(this.id)
    if (!theirs) return
    this.kept = theirs.document
    this.on({ kind: 'insisted', version: theirs.version })
    this.settleAfter(0)
  }

  async heard(version: number): Promise<boolean> {
    if (version <= this.state.version || this.hasOwn || this.state.standing.kind !== 'kept') return false
    const theirs = await fetchCopy(this.id)
    // Meanwhile a hand may have changed something here.
    if (!theirs || theirs.version <= this.state.version || this.hasOwn) return false
    this.take(theirs)
    return true
  }

  /** Looks at what the server has now, and at what this browser still owes it from before. */
  async open(): Promise<void> {
    const [unsent, theirs] = await Promise.all([readUnsent(this.id), fetchCopy(this.id)])
    if (this.hasOwn) return
    if (unsent) {
      this.unheard = unsent.unheard
      this.kept = unsent.base ?? (theirs?.version === unsent.baseVersion ? theirs.document : null)
      this.shown.setState({ document: unsent.document })
      this.on({ kind: 'found', version: unsent.baseVersion, saveId: unsent.saveId })
      if (this.contradictions(unsent.document).length > 0) this.settleAfter(0)
    } else if (theirs && theirs.version > this.state.version) this.take(theirs)
  }
}
