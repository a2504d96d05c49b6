import type { Installation } from '@/core/installation/installation'
import { openInstallation } from '@/core/installation/open'
import { parseJson } from '@/core/installation/read'

/** A change that the server has not yet said it kept. It lies in the browser until then, so that nothing is lost with the tab or the line. */
export type Unsent = { readonly baseVersion: number; readonly saveId: string; readonly document: Installation }

const key = (installationId: string) => `gale:unsent:${installationId}`

export function writeUnsent(installationId: string, unsent: Unsent): void {
  localStorage.setItem(key(installationId), JSON.stringify(unsent))
}

export function clearUnsent(installationId: string, saveId: string): void {
  if (readUnsent(installationId)?.saveId === saveId) localStorage.removeItem(key(installationId))
}

const leftKey = (installationId: string) => `gale:left:${installationId}`

/** What this browser still owes the server; null when nothing. What an older program left here and cannot be read any more is kept under
 *  another key: nothing of it is thrown away, and it does not stand in the way. */
export function readUnsent(installationId: string): Unsent | null {
  const text = localStorage.getItem(key(installationId))
  if (text === null) return null
  const data = parseJson(text)
  const unsent = data.ok ? (data.value as Partial<Unsent> | null) : null
  if (unsent && typeof unsent.saveId === 'string' && typeof unsent.baseVersion === 'number') {
    const opened = openInstallation(unsent.document)
    if (opened.kind !== 'unreadable')
      return { baseVersion: unsent.baseVersion, saveId: unsent.saveId, document: opened.document }
  }
  localStorage.setItem(leftKey(installationId), text)
  localStorage.removeItem(key(installationId))
  return null
}

export const dropUnsent = (installationId: string): void => localStorage.removeItem(key(installationId))
