import { getJson } from '@/ui/json'
import { browserStore } from '@/ui/onSite/browserStore'
import type { Pack } from '@/ui/onSite/pack'

type Answered = { readonly kind: string; readonly pack?: Pack }

/** How many installations that were only opened here stay; those taken along by hand do until they are left. */
const MOST_OPENED = 20

/** Takes an installation along, so that all of its pages open without signal. False where the server cannot be reached. */
export async function takeAlong(id: string, isByHand: boolean): Promise<boolean> {
  const store = browserStore()
  const answer = store && (await getJson<Answered>(`/api/along/${id}`))
  if (!store || !answer?.pack) return false
  const { pack } = answer
  await store.transaction('rw', store.packs, async () => {
    const before = await store.packs.get(id)
    // What was kept while this came is newer than it.
    const newer = before && before.version > pack.version ? before : pack
    const { document, version, savedAt } = newer
    await store.packs.put({ ...pack, document, version, savedAt, isByHand: isByHand || before?.isByHand === true })
  })
  const opened = (await store.packs.toArray()).filter((pack) => pack.isByHand !== true)
  const tooMany = opened.sort((a, b) => (a.takenAt < b.takenAt ? 1 : -1)).slice(MOST_OPENED)
  await store.packs.bulkDelete(tooMany.map((pack) => pack.id))
  return true
}

/** Reads again what was taken along and has changed on the server. */
export async function refreshPack(id: string): Promise<void> {
  if (await browserStore()?.packs.get(id)) await takeAlong(id, false)
}

/** Puts what the server keeps of a working copy into what was taken along. */
export const keepInPack = async (id: string, kept: Pick<Pack, 'document' | 'version' | 'savedAt'>): Promise<void> => {
  const store = browserStore()
  await store
    ?.transaction('rw', store.packs, async () => {
      const before = await store.packs.get(id)
      if (before && before.version <= kept.version) await store.packs.put({ ...before, ...kept })
    })
    .catch(() => undefined)
}

export const leaveHere = async (id: string): Promise<void> => browserStore()?.packs.delete(id)

/** Whatever somebody else left along here, who never signed out, goes. */
export const forgetOthers = async (personId: string): Promise<void> => {
  await browserStore()
    ?.packs.filter((pack) => pack.personId !== personId)
    .delete()
}

/** Nothing of a workspace stays in the browser of somebody who signed out; what waits to be sent does, for the same person. */
export const forgetAll = async (): Promise<void> => {
  const store = browserStore()
  await Promise.all([store?.packs.clear(), store?.known.clear(), store?.drafts.clear()])
}
