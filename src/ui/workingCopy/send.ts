import type { Installation } from '@/core/installation/installation'
import type { Problem } from '@/core/json/problem'
import { getJson } from '@/ui/json'

export type KeepAnswer =
  | { readonly kind: 'done'; readonly version: number; readonly savedAt: string }
  | { readonly kind: 'behind'; readonly version: number; readonly savedBy: string; readonly savedAt: string }
  | { readonly kind: 'invalid'; readonly problems: readonly Problem[] }
  | { readonly kind: 'forbidden'; readonly text: string }
  | { readonly kind: 'unavailable'; readonly why: 'gone' | 'busy' | 'full' }
  | { readonly kind: 'unknown' | 'signed-out' }

export type FetchedCopy = {
  readonly version: number
  readonly savedAt: string
  readonly savedBy: string
  /** The change that was kept last, by the id its page gave it. */
  readonly saveId: string
  readonly document: Installation
}

const address = (installationId: string) => `/api/working-copy/${installationId}`

/** Sends a change; a line that is down and a server that is gone are one answer. */
export async function sendChange(
  installationId: string,
  change: { baseVersion: number; saveId: string; document: Installation },
): Promise<KeepAnswer> {
  try {
    const answer = await fetch(address(installationId), {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(change),
      keepalive: false,
    })
    return (await answer.json()) as KeepAnswer
  } catch {
    return { kind: 'unavailable', why: 'gone' }
  }
}

/** The working copy as the server has it now; null when it cannot be had. */
export const fetchCopy = (installationId: string): Promise<FetchedCopy | null> =>
  getJson<FetchedCopy>(address(installationId))
