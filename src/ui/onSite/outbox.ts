import { whyNot, type Answer } from '@/ui/answer'
import { postJson } from '@/ui/json'
import { browserStore, isWaiting, type Who, type WorkItem } from '@/ui/onSite/browserStore'
import { refreshPack } from '@/ui/onSite/along'
import { sendUnsentElsewhere } from '@/ui/onSite/sendUnsent'

const RETRY_EVERY_MS = 3000
/** What the server kept stays shown so long, until every page has read it from there. */
const SHOWN_AFTER_MS = 60_000

let wake: () => void = () => undefined

/** Puts something that was done here into the queue. It is on the disk when this resolves; it goes to the server by itself. */
export async function putWork(who: Who, item: Omit<WorkItem, 'seq' | 'madeAt' | keyof Who>): Promise<void> {
  const store = browserStore()
  if (!store) throw new Error('this browser keeps nothing')
  await store.work.add({ ...item, ...who, madeAt: new Date().toISOString() })
  wake()
}

/** Takes back what was refused, or what has not gone yet. */
export const dropWork = async (seq: number): Promise<void> => browserStore()?.work.delete(seq)

/** Lets something that was refused go again. */
export async function retryWork(seq: number): Promise<void> {
  await browserStore()?.work.update(seq, { refused: undefined })
  wake()
}

type Sent = Answer & { readonly number?: number }

/** Whether an answer says to come again, rather than yes or no. */
const comesAgain = ({ kind }: Answer): boolean => kind === 'unavailable' || kind === 'signed-out'

/** Sends what waits, in the order in which it was done. What is refused is marked and stays; what cannot be told just now ends the round.
 *  @returns the installations of which something was kept */
async function sendRound(who: Who, isOver: () => boolean): Promise<ReadonlySet<string>> {
  const store = browserStore()!
  const kept = new Set<string>()
  await sendUnsentElsewhere(who)
  const waiting = (await store.work.orderBy('seq').toArray()).filter(
    (item) => item.personId === who.personId && item.workspaceId === who.workspaceId && isWaiting(item),
  )
  for (const { seq, kind, input, installationId } of waiting) {
    if (isOver()) break
    // What was signed is the working copy as it stood then: it has to be there first.
    if (kind === 'seal' && (await store.unsent.get(installationId))) continue
    const answer = (await postJson<Sent>('/api/work', { kind, input })) ?? { kind: 'unavailable', why: 'gone' }
    if (comesAgain(answer)) break
    if (answer.kind === 'done') {
      kept.add(installationId)
      await store.work.update(seq, { sentAt: new Date().toISOString(), ...(kind === 'photo' && { input: {} }) })
    } else await store.work.update(seq, { refused: whyNot(answer) })
  }
  return kept
}

/** Takes out what the server has had for a while. */
async function forgetSent(): Promise<void> {
  const before = new Date(Date.now() - SHOWN_AFTER_MS).toISOString()
  await browserStore()!
    .work.filter(({ sentAt }) => sentAt !== undefined && sentAt < before)
    .delete()
}

/** Sends whatever waits, now and whenever something is put there, the line comes back or a while has passed; one page at a time of all that are open.
 *  @param onKept hears of which installations something was kept
 *  @returns the way to end it */
export function startSender(who: Who, onKept: (installationIds: ReadonlySet<string>) => void): () => void {
  const store = browserStore()
  if (!store) return () => undefined
  let ended = false
  let again = false
  let running = false
  const round = async (): Promise<void> => {
    if (running) {
      again = true
      return
    }
    running = true
    try {
      do {
        again = false
        const kept = await inTurn(() => sendRound(who, () => ended))
        if (kept.size > 0 && !ended) onKept(kept)
        await Promise.all([...kept].map(refreshPack))
        await forgetSent()
      } while (again && !ended)
    } catch (error) {
      // A store that was closed under the page: what waits is there when it opens again.
      if (!ended) console.warn(error)
    } finally {
      running = false
    }
  }
  const go = () => void round()
  const timer = setInterval(() => {
    void store.work
      .filter(isWaiting)
      .count()
      .then(async (waiting) => (waiting > 0 || (await store.unsent.count()) > 0) && go())
      .catch(() => undefined)
  }, RETRY_EVERY_MS)
  wake = go
  window.addEventListener('online', go)
  go()
  return () => {
    ended = true
    clearInterval(timer)
    window.removeEventListener('online', go)
    wake = () => undefined
  }
}

/** One page sends at a time; where the browser has no locks each does, and the server takes the same thing once. */
const inTurn = <T>(work: () => Promise<T>): Promise<T> =>
  typeof navigator.locks === 'undefined' ? work() : navigator.locks.request('gale:outbox', work)
