import type { Installation } from '@/core/installation/installation'
import { parseJson } from '@/core/json/parseJson'

/** A change that the server has not yet said it kept. It lies in the browser until then, so that nothing is lost with the tab or the line. */
export type Unsent = {
  readonly baseVersion: number
  readonly saveId: string
  readonly document: Installation
  /** What the server had under `baseVersion`, to tell what was changed here; null where nobody knows any more. */
  readonly base: Installation | null
}

const key = (installationId: string) => `gale:unsent:${installationId}`

export function writeUnsent(installationId: string, unsent: Unsent): void {
  localStorage.setItem(key(installationId), JSON.stringify(unsent))
}

/** What lies there, as far as it is JSON; nobody has looked at its documents. */
function raw(text: string | null): (Partial<Record<keyof Unsent, unknown>> & object) | null {
  const data = parseJson(text ?? 'null')
  return data.ok && typeof data.value === 'object' ? data.value : null
}

export function clearUnsent(installationId: string, saveId: string): void {
  if (raw(localStorage.getItem(key(installationId)))?.saveId === saveId) dropUnsent(installationId)
}

const leftKey = (installationId: string) => `gale:left:${installationId}`

/** What this browser still owes the server; null when nothing. What an older program left here and cannot be read any more is kept under
 *  another key: nothing of it is thrown away, and it does not stand in the way. */
export async function readUnsent(installationId: string): Promise<Unsent | null> {
  const text = localStorage.getItem(key(installationId))
  if (text === null) return null
  // Reading documents from outside weighs much, and hardly any page has to.
  const { openInstallation } = await import('@/core/installation/open')
  const document = (data: unknown): Installation | null => {
    const opened = openInstallation(data)
    return opened.kind === 'unreadable' ? null : opened.document
  }
  const unsent = raw(text)
  const ours = document(unsent?.document)
  if (unsent && ours && typeof unsent.saveId === 'string' && typeof unsent.baseVersion === 'number')
    return { baseVersion: unsent.baseVersion, saveId: unsent.saveId, document: ours, base: document(unsent.base) }
  localStorage.setItem(leftKey(installationId), text)
  dropUnsent(installationId)
  return null
}

export const dropUnsent = (installationId: string): void => localStorage.removeItem(key(installationId))
