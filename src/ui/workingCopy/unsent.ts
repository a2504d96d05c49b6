import type { Installation } from '@/core/installation/installation'
import { parseJson } from '@/core/json/parseJson'
import { browserStore } from '@/ui/onSite/browserStore'

/** A change that the server has not yet said it kept. It lies in the browser until then, so that nothing is lost with the tab or the line. */
export type Unsent = {
  readonly baseVersion: number
  readonly saveId: string
  readonly document: Installation
  /** What the server had under `baseVersion`, to tell what was changed here; null where nobody knows any more. */
  readonly base: Installation | null
  /** Ids of changes that were sent before this one and whose answers never came: what the server kept under one of them is no change of
   *  somebody else’s, and this one stands on it. */
  readonly unheard: readonly string[]
}

const key = (installationId: string) => `gale:unsent:${installationId}`

/** Into both memories of the browser: the one that is written at once, as the page may be gone in a moment, and the one that is on the disk when it
 *  says so, as the battery may be. */
export function writeUnsent(installationId: string, unsent: Unsent): void {
  const text = JSON.stringify({ ...unsent, at: Date.now() })
  try {
    localStorage.setItem(key(installationId), text)
  } catch {
    // Full: the other memory has it.
    localStorage.removeItem(key(installationId))
  }
  onDisk((store) => store.unsent.put({ installationId, saveId: unsent.saveId, text }))
}

/** The store on the disk, where there is one; what cannot be written there lies in the other memory. */
function onDisk(work: (store: NonNullable<ReturnType<typeof browserStore>>) => PromiseLike<unknown>): void {
  const store = browserStore()
  if (store) void Promise.resolve(work(store)).catch((error: unknown) => console.warn(error))
}

/** What lies there, as far as it is JSON; nobody has looked at its documents. */
function raw(text: string | null): (Partial<Record<keyof Unsent, unknown>> & object) | null {
  const data = parseJson(text ?? 'null')
  return data.ok && typeof data.value === 'object' ? data.value : null
}

export function clearUnsent(installationId: string, saveId: string): void {
  // Told apart from a change that only the disk remembers: this one the server has.
  if (browserStore()) localStorage.setItem(keptKey(installationId), saveId)
  const there = raw(localStorage.getItem(key(installationId)))
  if (there === null || there.saveId === saveId) localStorage.removeItem(key(installationId))
  onDisk((store) =>
    store.unsent
      .where({ installationId })
      .and((one) => one.saveId === saveId)
      .delete(),
  )
}

const keptKey = (installationId: string) => `gale:kept:${installationId}`

/** When it was written, ms; 0 where an older program wrote it, or nothing is there. */
function writtenAt(text: string | null): number {
  const at = (raw(text) as { at?: unknown } | null)?.at
  return typeof at === 'number' ? at : 0
}

/** What lies in the browser: of what was written at once and what is on the disk the later one, as a battery may take the last of the first; what the
 *  server has acknowledged is neither. */
async function textOf(installationId: string): Promise<string | null> {
  const atOnce = localStorage.getItem(key(installationId))
  const onTheDisk = await browserStore()
    ?.unsent.get(installationId)
    .catch(() => undefined)
  const onDiskText =
    onTheDisk && onTheDisk.saveId !== localStorage.getItem(keptKey(installationId)) ? onTheDisk.text : null
  return onDiskText !== null && (atOnce === null || writtenAt(onDiskText) > writtenAt(atOnce)) ? onDiskText : atOnce
}

const textsIn = (data: unknown): string[] => (Array.isArray(data) ? data.filter((one) => typeof one === 'string') : [])

const leftKey = (installationId: string) => `gale:left:${installationId}`

/** What this browser still owes the server; null when nothing. What an older program left here and cannot be read any more is kept under
 *  another key: nothing of it is thrown away, and it does not stand in the way. */
export async function readUnsent(installationId: string): Promise<Unsent | null> {
  const text = await textOf(installationId)
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
    return {
      baseVersion: unsent.baseVersion,
      saveId: unsent.saveId,
      document: ours,
      base: document(unsent.base),
      unheard: textsIn(unsent.unheard),
    }
  localStorage.setItem(leftKey(installationId), text)
  dropUnsent(installationId)
  return null
}

export function dropUnsent(installationId: string): void {
  localStorage.removeItem(key(installationId))
  onDisk((store) => store.unsent.delete(installationId))
}
