import { isDatabaseGone } from '@/db/client'
import type { Problem } from '@/core/problem'

/** What every command answers: done, or why not, in a shape the interface turns into a sentence. */
export type Result<T = object> =
  | ({ readonly kind: 'done' } & T)
  | { readonly kind: 'invalid'; readonly problems: readonly Problem[] }
  | { readonly kind: 'behind'; readonly version: number; readonly savedBy: string; readonly savedAt: string }
  | { readonly kind: 'unknown' }
  | { readonly kind: 'signed-out' }
  | { readonly kind: 'unavailable' }

/** Turns a lost database into an answer; anything else is a fault and goes on up. */
export async function answering<T>(work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work()
  } catch (error) {
    if (isDatabaseGone(error)) return { kind: 'unavailable' }
    throw error
  }
}
