import { isDatabaseBusy, isDatabaseGone, isDiskFull } from '@/db/client'
import type { Problem } from '@/core/json/problem'

/** What every command answers: done, or why not, in a shape the interface turns into a sentence. */
export type Result<T = object> =
  | ({ readonly kind: 'done' } & T)
  | { readonly kind: 'invalid'; readonly problems: readonly Problem[] }
  | { readonly kind: 'behind'; readonly version: number; readonly savedBy: string; readonly savedAt: string }
  | { readonly kind: 'unknown' }
  | { readonly kind: 'signed-out' }
  /** Not for this role; `text` says who may. */
  | { readonly kind: 'forbidden'; readonly text: string }
  | Unavailable

/** It could not be done just now, and nothing of it was: the database cannot be reached, too much is asked at once, or the disk is full. */
export type Unavailable = { readonly kind: 'unavailable'; readonly why: 'gone' | 'busy' | 'full' }

export const UNAVAILABLE_SAYS: Record<Unavailable['why'], string> = {
  gone: 'The database cannot be reached; nothing was lost. Try again in a moment.',
  busy: 'The server has too much to do just now; nothing was lost. Try again in a moment.',
  full: 'The disk of the server is full: this was not kept, and everything before it was. Who looks after the server must make room.',
}

/** What an error means for whoever asked; null where it is a fault of the program. */
export function unavailable(error: unknown): Unavailable | null {
  if (isDiskFull(error)) return { kind: 'unavailable', why: 'full' }
  if (isDatabaseBusy(error)) return { kind: 'unavailable', why: 'busy' }
  return isDatabaseGone(error) ? { kind: 'unavailable', why: 'gone' } : null
}

/** Turns a lost database into an answer; anything else is a fault and goes on up. */
export async function answering<T>(work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work()
  } catch (error) {
    const answer = unavailable(error)
    if (answer) return answer
    throw error
  }
}
