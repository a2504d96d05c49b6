import type { Installation } from '@/core/document/installation'

/** A change that the server has not yet said it kept. It lies in the browser until then, so that nothing is lost with the tab or the line. */
export type Unsent = { readonly baseVersion: number; readonly saveId: string; readonly document: Installation }

const key = (installationId: string) => `gale:unsent:${installationId}`

export function writeUnsent(installationId: string, unsent: Unsent): void {
  localStorage.setItem(key(installationId), JSON.stringify(unsent))
}

export function clearUnsent(installationId: string, saveId: string): void {
  if (readUnsent(installationId)?.saveId === saveId) localStorage.removeItem(key(installationId))
}

/** What this browser still owes the server; null when nothing, or when it cannot be read. */
export function readUnsent(installationId: string): Unsent | null {
  const text = localStorage.getItem(key(installationId))
  if (text === null) return null
  try {
    return JSON.parse(text) as Unsent
  } catch {
    return null
  }
}

export const dropUnsent = (installationId: string): void => localStorage.removeItem(key(installationId))
