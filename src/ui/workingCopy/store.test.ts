import { demoInstallation } from '@/testing/examples'
import type { Installation } from '@/core/installation/installation'
import { createWorkingCopyStore, type WorkingCopyStore } from '@/ui/workingCopy/store'

type Request = { baseVersion: number; saveId: string; document: Installation }

/** A server that keeps versions as the real one does, and can be cut off. */
class PretendServer {
  version = 1
  document = demoInstallation('fruiting-room')
  lastSave = ''
  requests: Request[] = []
  isCut = false
  losesAnswer = false
  forbids = false

  readonly fetch = async (_address: unknown, init?: RequestInit): Promise<Response> => {
    await Promise.resolve()
    if (this.isCut) throw new TypeError('no line')
    if (init?.method !== 'PUT')
      return Response.json({
        kind: 'done',
        version: this.version,
        savedAt: 'then',
        savedBy: 'Tam',
        saveId: this.lastSave,
        document: this.document,
      })
    const request = JSON.parse(init.body as string) as Request
    this.requests.push(request)
    if (this.forbids) return Response.json({ kind: 'forbidden', text: 'As a reader…' }, { status: 403 })
    if (request.saveId !== this.lastSave && request.baseVersion !== this.version)
      return Response.json({ kind: 'behind', version: this.version, savedBy: 'Tam', savedAt: 'then' }, { status: 409 })
    if (request.saveId !== this.lastSave)
      Object.assign(this, { version: this.version + 1, document: request.document, lastSave: request.saveId })
    if (this.losesAnswer) throw new TypeError('the line broke before the answer')
    return Response.json({ kind: 'done', version: this.version, savedAt: 'now' })
  }
}

let server: PretendServer
let store: WorkingCopyStore
let kept: Map<string, string>
let merged: string[]

const open = () =>
  createWorkingCopyStore(
    'one',
    { document: demoInstallation('fruiting-room'), version: 1, savedAt: 'then' },
    () => undefined,
    (by) => merged.push(by),
  )
const setFloor = (pct: number, key?: string) =>
  store.getState().edit('floor', (draft) => void (draft.response.floor.speedPct = pct), key)
const floor = () => store.getState().document.response.floor.speedPct
const settle = () => jest.advanceTimersByTimeAsync(5000)

beforeEach(() => {
  jest.useFakeTimers()
  kept = new Map()
  merged = []
  server = new PretendServer()
  Object.assign(globalThis, {
    fetch: server.fetch,
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => kept.set(key, text),
      removeItem: (key: string) => kept.delete(key),
    },
  })
  store = open()
})
afterEach(() => jest.useRealTimers())

test('a change is written down after a moment, or before the page goes, is sent, and is dropped there when it is kept', async () => {
  setFloor(23)
  expect([kept.size, store.getState().standing.kind]).toEqual([0, 'keeping'])
  store.getState().settle()
  expect(kept.size).toBe(1)
  await settle()
  expect([
    server.document.response.floor.speedPct,
    store.getState().version,
    store.getState().standing.kind,
    kept.size,
  ]).toEqual([23, 2, 'kept', 0])
})

test('many quick changes go in one save, the last one wins', async () => {
  for (const pct of [23, 24, 25, 26]) setFloor(pct)
  await settle()
  expect([server.requests.length, server.document.response.floor.speedPct]).toEqual([1, 26])
})

test('undo and redo are changes like any other; a gesture is one of them', async () => {
  for (const pct of [30, 35, 40]) setFloor(pct, 'drag')
  store.getState().endGesture()
  setFloor(45, 'drag')
  store.getState().undo()
  expect(floor()).toBe(40)
  store.getState().undo()
  expect(floor()).toBe(22)
  store.getState().redo()
  await settle()
  expect([floor(), server.document.response.floor.speedPct]).toEqual([40, 40])
})

test('what a recipe returns is not taken for a document', () => {
  store.getState().edit('remove', (draft) => draft.response.rules.splice(2, 1))
  expect(store.getState().document.response.rules).toHaveLength(2)
  store.getState().undo()
  expect(store.getState().document.response.rules).toHaveLength(3)
})

test('without a line it waits in the browser and is sent when the line is back', async () => {
  server.isCut = true
  setFloor(23)
  await settle()
  expect([store.getState().standing.kind, kept.size]).toEqual(['waiting', 1])
  server.isCut = false
  await settle()
  expect([store.getState().standing.kind, server.document.response.floor.speedPct]).toEqual(['kept', 23])
})

test('an answer that is lost on the way: the same save is sent again, and kept once', async () => {
  server.losesAnswer = true
  setFloor(23)
  await jest.advanceTimersByTimeAsync(1000)
  server.losesAnswer = false
  await settle()
  expect([
    server.version,
    new Set(server.requests.map(({ saveId }) => saveId)).size,
    store.getState().standing.kind,
  ]).toEqual([2, 1, 'kept'])
})

test('an answer that is lost, and the same place changed again: one’s own is no change of somebody else’s', async () => {
  server.losesAnswer = true
  setFloor(26)
  await settle()
  setFloor(31)
  await jest.advanceTimersByTimeAsync(200)
  server.losesAnswer = false
  await settle()
  expect([server.document.response.floor.speedPct, floor(), store.getState().standing.kind, merged]).toEqual([
    31,
    31,
    'kept',
    [],
  ])
})

test('a page that went while its change was on its way, and had changed more: the next one goes on from there', async () => {
  // The line breaks after the server has it: the page never hears.
  server.losesAnswer = true
  setFloor(26)
  await jest.advanceTimersByTimeAsync(200)
  setFloor(32)
  store.getState().end()
  server.losesAnswer = false
  store = open()
  await store.getState().open()
  await settle()
  expect([server.document.response.floor.speedPct, floor(), store.getState().standing.kind, merged]).toEqual([
    32,
    32,
    'kept',
    [],
  ])
})

test('a page that was closed before its change was sent finds it again and sends it', async () => {
  server.isCut = true
  setFloor(23)
  await settle()
  server.isCut = false
  store = open()
  await store.getState().open()
  expect(floor()).toBe(23)
  await settle()
  expect(server.document.response.floor.speedPct).toBe(23)
})

test('someone else was faster: it is told, nothing is overwritten, and both ways out work', async () => {
  server.version = 5
  server.document = structuredClone({ ...server.document, name: 'theirs' })
  server.document.response.floor.speedPct = 29
  setFloor(23)
  await settle()
  expect([store.getState().standing.kind, server.document.name]).toEqual(['behind', 'theirs'])
  await store.getState().takeTheirs()
  expect([store.getState().document.name, store.getState().version, kept.size]).toEqual(['theirs', 5, 0])
  server.version = 6
  server.document = structuredClone(server.document)
  server.document.response.floor.speedPct = 33
  setFloor(24)
  await settle()
  await store.getState().keepMine()
  await settle()
  expect([store.getState().standing.kind, server.version, server.document.response.floor.speedPct]).toEqual([
    'kept',
    7,
    24,
  ])
})

test('a document that contradicts itself is not sent until it is mended', async () => {
  setFloor(95)
  await settle()
  expect([store.getState().standing.kind, server.requests.length, kept.size]).toEqual(['contradicts', 0, 1])
  store.getState().undo()
  await settle()
  expect(store.getState().standing.kind).toBe('kept')
})

/** Somebody else keeps something on the server. */
const keepElsewhere = (pct: number) => {
  server.version++
  server.document = structuredClone(server.document)
  server.document.response.floor.speedPct = pct
}

describe('somebody else kept something', () => {
  test('what one has already is no news', async () => {
    expect(await store.getState().heard(1)).toBe(false)
    expect(store.getState().standing.kind).toBe('kept')
  })
  test('it is shown at once where nothing of one’s own waits', async () => {
    keepElsewhere(31)
    expect(await store.getState().heard(2)).toBe(true)
    expect([floor(), store.getState().version, store.getState().standing.kind]).toEqual([31, 2, 'kept'])
  })
  test('with a change of one’s own of the same place on the way it asks, and loses neither', async () => {
    keepElsewhere(31)
    setFloor(27)
    expect(await store.getState().heard(2)).toBe(false)
    await settle()
    expect(store.getState().standing).toMatchObject({
      kind: 'behind',
      savedBy: 'Tam',
      places: [expect.stringMatching(/27 %.* here, 31 %.* there/)],
    })
    expect([floor(), server.document.response.floor.speedPct]).toEqual([27, 31])
  })
  test('changes of different places are put together, and both can be undone apart', async () => {
    keepElsewhere(31)
    store.getState().edit('name', (draft) => void (draft.name = 'Mine'))
    await settle()
    expect([floor(), store.getState().document.name, merged]).toEqual([31, 'Mine', ['Tam']])
    expect([server.document.response.floor.speedPct, server.document.name, server.version]).toEqual([31, 'Mine', 3])
    expect([store.getState().standing.kind, kept.size]).toEqual(['kept', 0])
    store.getState().undo()
    expect([floor(), store.getState().document.name]).toEqual([31, demoInstallation('fruiting-room').name])
  })
  test('what each may have and both together may not is asked about', async () => {
    server.version++
    server.document = structuredClone(server.document)
    server.document.response.ceiling.speedPct = 35
    setFloor(40)
    await settle()
    expect(store.getState().standing.kind).toBe('behind')
  })
  test('a change that was left in a closed page is put together with what came since', async () => {
    server.isCut = true
    store.getState().edit('name', (draft) => void (draft.name = 'Mine'))
    await settle()
    server.isCut = false
    keepElsewhere(31)
    store = open()
    await store.getState().open()
    await settle()
    expect([server.document.name, server.document.response.floor.speedPct]).toEqual(['Mine', 31])
  })
  test('a hand that moves while it is fetched is not overwritten', async () => {
    keepElsewhere(31)
    const heard = store.getState().heard(2)
    setFloor(27)
    expect(await heard).toBe(false)
    await settle()
    expect([floor(), store.getState().standing.kind]).toEqual([27, 'behind'])
  })
})

test('who may only look is told so, and nothing waits to be sent', async () => {
  server.forbids = true
  setFloor(27)
  await settle()
  expect([store.getState().standing.kind, server.requests.length, kept.size]).toEqual(['forbidden', 1, 0])
})
