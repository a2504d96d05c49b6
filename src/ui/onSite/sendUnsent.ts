import { browserStore, type Who } from '@/ui/onSite/browserStore'
import { openLock } from '@/ui/onSite/openLock'
import { fetchCopy } from '@/ui/workingCopy/send'
import { createWorkingCopyStore } from '@/ui/workingCopy/store'

const LONGEST_MS = 20_000

/** Sends what the server still lacks of working copies that no page has open, just as their pages would: put together with what others changed
 *  meanwhile; where both changed the same it stays, and is asked about when it is opened. */
export async function sendUnsentElsewhere({ personId, workspaceId }: Who): Promise<void> {
  const store = browserStore()
  if (!store || typeof navigator.locks === 'undefined') return
  for (const { installationId } of await store.unsent.toArray()) {
    const pack = await store.packs.get(installationId)
    // Nobody sends in another’s name; without a pack it waits until its page is opened.
    if (pack?.personId !== personId || pack.workspaceId !== workspaceId) continue
    await navigator.locks.request(openLock(installationId), { ifAvailable: true }, async (lock) => {
      if (lock) await sendOne(installationId)
    })
  }
}

async function sendOne(id: string): Promise<void> {
  const start = await fetchCopy(id)
  if (!start) return
  const copy = createWorkingCopyStore(id, start, () => undefined)
  await copy.getState().open()
  await new Promise<void>((resolve) => {
    const isOver = () => copy.getState().standing.kind !== 'keeping'
    if (isOver()) return resolve()
    const timer = setTimeout(resolve, LONGEST_MS)
    copy.subscribe(() => {
      if (!isOver()) return
      clearTimeout(timer)
      resolve()
    })
  })
  copy.getState().end()
}
