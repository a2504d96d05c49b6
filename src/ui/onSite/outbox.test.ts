import 'fake-indexeddb/auto'
import { browserStore, type Who } from '@/ui/onSite/browserStore'
import { dropWork, putWork, retryWork, startSender } from '@/ui/onSite/outbox'

// What a page has and Node.js has not.
Object.assign(globalThis, { window: new EventTarget(), navigator: {} })

const tam: Who = { personId: 'tam', workspaceId: 'quay' }
const imke: Who = { personId: 'imke', workspaceId: 'quay' }

/** A server that keeps each id once, and can be cut off before or after it has kept something. */
class PretendServer {
  readonly kept: string[] = []
  requests = 0
  mode: 'well' | 'cut' | 'loses-answer' | 'signed-out' = 'well'
  refuses = new Set<string>()

  readonly fetch = async (_address: unknown, init?: RequestInit): Promise<Response> => {
    await Promise.resolve()
    if (this.mode === 'cut') throw new TypeError('no line')
    this.requests++
    if (this.mode === 'signed-out') return answer({ kind: 'signed-out' })
    const { input } = JSON.parse(init?.body as string) as { input: { id: string } }
    if (this.refuses.has(input.id)) return answer({ kind: 'forbidden', text: 'As a reader you cannot.' })
    if (!this.kept.includes(input.id)) this.kept.push(input.id)
    if (this.mode === 'loses-answer') throw new TypeError('the line broke before the answer')
    return answer({ kind: 'done' })
  }
}
const answer = (value: object) => ({ ok: true, json: () => Promise.resolve(value) }) as unknown as Response

let server: PretendServer
let end: () => void
let told: string[]

const put = (id: string, who: Who = tam, installationId = 'one') =>
  putWork(who, { id, installationId, kind: 'log', label: id, input: { id }, shown: { id } })
const items = () => browserStore()!.work.orderBy('seq').toArray()
const waiting = async () =>
  (await items()).filter(({ sentAt, refused }) => !sentAt && refused === undefined).map(({ id }) => id)
const begin = (who: Who = tam) => (end = startSender(who, (ids) => told.push(...ids)))

/** Looks again until it is so; IndexedDB answers in its own time. */
async function until(isSo: () => Promise<boolean> | boolean): Promise<void> {
  for (let looks = 0; looks < 400; looks++) {
    if (await isSo()) return
    await new Promise((resolve) => setImmediate(resolve))
  }
  throw new Error('it did not come about')
}

beforeEach(async () => {
  server = new PretendServer()
  told = []
  Object.assign(globalThis, { fetch: server.fetch })
  await browserStore()!.work.clear()
  await browserStore()!.unsent.clear()
})
afterEach(() => end())

test('what is put there goes in the order in which it was done, and stays shown', async () => {
  begin()
  for (const id of ['a', 'b', 'c']) await put(id)
  await until(async () => (await waiting()).length === 0)
  expect(server.kept).toEqual(['a', 'b', 'c'])
  expect((await items()).map(({ id }) => id)).toEqual(['a', 'b', 'c'])
  await until(() => told.length > 0)
})

test('without a line everything waits, and goes when the line is back', async () => {
  server.mode = 'cut'
  begin()
  await put('a')
  await put('b')
  expect(await waiting()).toEqual(['a', 'b'])
  server.mode = 'well'
  window.dispatchEvent(new Event('online'))
  await until(async () => (await waiting()).length === 0)
  expect(server.kept).toEqual(['a', 'b'])
})

test('an answer that was lost is asked for again, and the thing is kept once', async () => {
  server.mode = 'loses-answer'
  begin()
  await put('a')
  await until(() => server.kept.length === 1)
  expect(await waiting()).toEqual(['a'])
  server.mode = 'well'
  window.dispatchEvent(new Event('online'))
  await until(async () => (await waiting()).length === 0)
  expect(server.kept).toEqual(['a'])
})

test('what is refused is marked with why and holds up nothing; it can be sent again or dropped', async () => {
  server.refuses.add('a')
  begin()
  await put('a')
  await put('b')
  await until(() => server.kept.includes('b'))
  await until(async () => (await items())[0]?.refused !== undefined)
  expect((await items())[0]).toMatchObject({ id: 'a', refused: 'As a reader you cannot.' })
  server.refuses.clear()
  await retryWork((await items())[0]!.seq)
  await until(() => server.kept.includes('a'))
  server.refuses.add('z')
  await put('z')
  await until(async () => (await items()).at(-1)?.refused !== undefined)
  await dropWork((await items()).at(-1)!.seq)
  expect((await items()).map(({ id }) => id)).not.toContain('z')
})

test('what somebody else left here is not sent in this person’s name', async () => {
  server.mode = 'cut'
  begin(imke)
  await put('hers', imke)
  end()
  server.mode = 'well'
  begin(tam)
  await put('his', tam)
  await until(() => server.kept.includes('his'))
  expect(server.kept).toEqual(['his'])
  expect(await waiting()).toEqual(['hers'])
})

test('signed out, nothing is lost and nothing is marked', async () => {
  server.mode = 'signed-out'
  begin()
  await put('a')
  await until(() => server.requests > 0)
  expect(await waiting()).toEqual(['a'])
})

test('a seal waits until its working copy has gone', async () => {
  await browserStore()!.unsent.put({ installationId: 'one', saveId: 's', text: '{}' })
  begin()
  await putWork(tam, { id: 'seal', installationId: 'one', kind: 'seal', label: 'seal', input: { id: 'seal' } })
  await put('after')
  await until(() => server.kept.includes('after'))
  expect(server.kept).toEqual(['after'])
  await browserStore()!.unsent.delete('one')
  window.dispatchEvent(new Event('online'))
  await until(() => server.kept.includes('seal'))
})
