import type { Problem } from '@/core/json/problem'
import type { KeepAnswer } from '@/ui/workingCopy/send'

/** Where the working copy stands towards the server. */
export type Standing =
  | { readonly kind: 'kept'; readonly savedAt: string }
  | { readonly kind: 'keeping' }
  | { readonly kind: 'waiting'; readonly why: 'gone' | 'busy' | 'full' | 'unknown' | 'signed-out' }
  /** Not for this role: it is shown, and not kept anywhere but here. */
  | { readonly kind: 'forbidden'; readonly text: string }
  | { readonly kind: 'contradicts'; readonly problems: readonly Problem[] }
  /** Somebody kept a newer one. `places`: what both changed, in words; none where nobody can tell. */
  | { readonly kind: 'behind'; readonly savedBy: string; readonly savedAt: string; readonly places: readonly string[] }

/** What a page knows of its working copy and the server’s, without the documents. */
export type SyncState = {
  /** The version of the server that this page stands on. */
  readonly version: number
  readonly standing: Standing
  /** Id of the change that the server has not acknowledged yet; null when it has all of them. */
  readonly owed: string | null
  /** Whether something was changed that nobody has looked at yet. */
  readonly isTouched: boolean
  /** Id of the change that is on its way. */
  readonly sending: string | null
}

export type SyncEvent =
  /** Something was changed; it is not looked at yet. */
  | { readonly kind: 'touched' }
  /** What was changed was looked at: under a new id it is owed. */
  | { readonly kind: 'changed'; readonly saveId: string; readonly problems: readonly Problem[] }
  /** The time to send has come. */
  | { readonly kind: 'due' }
  | { readonly kind: 'answered'; readonly saveId: string; readonly answer: KeepAnswer }
  /** Theirs was put together with ours, or could not be: it could not be had (null), or both changed the same places. */
  | { readonly kind: 'merged'; readonly version: number; readonly saveId: string }
  | { readonly kind: 'clashed'; readonly savedBy: string; readonly savedAt: string; readonly places: readonly string[] }
  | { readonly kind: 'not-fetched' }
  /** Theirs stands here now. */
  | { readonly kind: 'taken'; readonly version: number; readonly savedAt: string }
  /** Ours is to stand over theirs. */
  | { readonly kind: 'insisted'; readonly version: number }
  /** What this browser still owed from before stands here now. */
  | { readonly kind: 'found'; readonly version: number; readonly saveId: string }

/** What is to be done outside, in this order. */
export type SyncEffect =
  /** Puts what is owed into the browser’s own memory. */
  | { readonly kind: 'write' }
  /** Takes it out again, where it is still this change or whatever it is. */
  | { readonly kind: 'drop'; readonly saveId: string | null }
  | { readonly kind: 'later'; readonly afterMs: number }
  | { readonly kind: 'wait' }
  | { readonly kind: 'send'; readonly saveId: string; readonly baseVersion: number }
  /** What was sent is what the server has now. */
  | { readonly kind: 'acknowledge' }
  | { readonly kind: 'announce'; readonly version: number }
  /** Fetches theirs and puts both together. */
  | { readonly kind: 'merge'; readonly savedBy: string; readonly savedAt: string }

export const SEND_AFTER_MS = 50
const RETRY_AFTER_MS = 2000

type Next = { readonly state: SyncState; readonly effects: readonly SyncEffect[] }

const KEEPING: Standing = { kind: 'keeping' }
const retry: SyncEffect = { kind: 'later', afterMs: RETRY_AFTER_MS }
const now: SyncEffect = { kind: 'later', afterMs: 0 }

/** What becomes of a working copy and the server’s when something happens, and what is to be done then. */
export function sync(state: SyncState, event: SyncEvent): Next {
  const to = (change: Partial<SyncState>, ...effects: readonly SyncEffect[]): Next => ({
    state: { ...state, ...change },
    effects,
  })
  const isBehind = state.standing.kind === 'behind'
  switch (event.kind) {
    case 'touched':
      return to({ isTouched: true, ...(state.standing.kind === 'kept' && { standing: KEEPING }) })
    case 'changed':
      return changed({ ...state, isTouched: false }, event.saveId, event.problems)
    case 'due':
      if (state.sending !== null || state.owed === null || isBehind || state.standing.kind === 'contradicts')
        return to({})
      return to({ sending: state.owed }, { kind: 'send', saveId: state.owed, baseVersion: state.version })
    case 'answered':
      return answered({ ...state, sending: null }, event.saveId, event.answer)
    case 'merged':
      return to({ version: event.version, owed: event.saveId, standing: KEEPING }, { kind: 'write' }, now)
    case 'clashed': {
      const { savedBy, savedAt, places } = event
      return to({ standing: { kind: 'behind', savedBy, savedAt, places } })
    }
    case 'not-fetched':
      return to({ standing: { kind: 'waiting', why: 'gone' } }, retry)
    case 'taken':
      return to(
        { version: event.version, owed: null, isTouched: false, standing: { kind: 'kept', savedAt: event.savedAt } },
        { kind: 'drop', saveId: null },
      )
    case 'insisted':
      return to({ version: event.version, standing: KEEPING })
    case 'found':
      return to({ version: event.version, owed: event.saveId, standing: KEEPING }, now)
  }
}

function changed(state: SyncState, owed: string, problems: readonly Problem[]): Next {
  const write: SyncEffect = { kind: 'write' }
  if (state.standing.kind === 'behind') return { state: { ...state, owed }, effects: [write] }
  // What contradicts itself waits in the browser until it does not.
  if (problems.length > 0)
    return {
      state: { ...state, owed, standing: { kind: 'contradicts', problems } },
      effects: [write, { kind: 'wait' }],
    }
  return {
    state: { ...state, owed, standing: KEEPING },
    effects: [write, { kind: 'later', afterMs: SEND_AFTER_MS }],
  }
}

function answered(state: SyncState, saveId: string, answer: KeepAnswer): Next {
  const to = (change: Partial<SyncState>, ...effects: readonly SyncEffect[]): Next => ({
    state: { ...state, ...change },
    effects,
  })
  switch (answer.kind) {
    case 'done': {
      const isLast = state.owed === saveId
      const told: readonly SyncEffect[] = [{ kind: 'acknowledge' }, { kind: 'announce', version: answer.version }]
      if (isLast)
        return to(
          {
            version: answer.version,
            owed: null,
            standing: state.isTouched ? KEEPING : { kind: 'kept', savedAt: answer.savedAt },
          },
          { kind: 'drop', saveId },
          ...told,
        )
      // Something was changed while it was on its way.
      const standing = state.standing.kind === 'contradicts' ? state.standing : KEEPING
      return to({ version: answer.version, standing }, ...told, { kind: 'write' }, now)
    }
    case 'behind':
      return to({}, { kind: 'merge', savedBy: answer.savedBy, savedAt: answer.savedAt })
    case 'invalid':
      return to({ standing: { kind: 'contradicts', problems: answer.problems } })
    case 'unknown':
    case 'signed-out':
    case 'unavailable':
      return to({ standing: { kind: 'waiting', why: answer.kind === 'unavailable' ? answer.why : answer.kind } }, retry)
    case 'forbidden':
      return to({ owed: null, standing: { kind: 'forbidden', text: answer.text } }, { kind: 'drop', saveId: null })
  }
}
