import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { Backoff, healthOf, serverIsWell, watch, type Health } from './watch'

test('a restart waits longer each time, and not at all once it has kept well', () => {
  const backoff = new Backoff(60, 600_000)
  const waits = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((minute) => backoff.next(minute * 60_000))
  expect(waits).toEqual([0, 1, 2, 4, 8, 16, 32, 60, 60, 60])
  expect(backoff.next(60 * 60_000)).toBe(0)
})

test.each<[server: boolean, database: boolean, Health]>([
  [true, true, 'well'],
  [false, true, 'web'],
  [false, false, 'database'],
])('server %p, database %p: %s', async (server, database, blame) =>
  expect(
    await healthOf(
      () => Promise.resolve(server),
      () => Promise.resolve(database),
    ),
  ).toBe(blame),
)

describe('a server that is asked', () => {
  const answering = async (answer: 'ok' | 'sick' | 'never'): Promise<boolean> => {
    const server = createServer((_request, response) => {
      if (answer !== 'never') response.writeHead(answer === 'ok' ? 200 : 503).end()
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    const { port } = server.address() as AddressInfo
    const isWell = await serverIsWell(`http://127.0.0.1:${port}`, 200)
    server.closeAllConnections()
    server.close()
    return isWell
  }
  test('is well when it says so', async () => expect(await answering('ok')).toBe(true))
  test('is not when it says that the database is gone', async () => expect(await answering('sick')).toBe(false))
  test('is not when it says nothing', async () => expect(await answering('never')).toBe(false))
  test('is not when nobody is there', async () => expect(await serverIsWell('http://127.0.0.1:1', 200)).toBe(false))
})

test('told once after three looks in a row, and again only after three more', async () => {
  const found: Health[] = ['web', 'web', 'well', 'web', 'web', 'web', 'web', 'database', 'database', 'database']
  const told: string[] = []
  let looks = 0
  // The timer of the watch alone does not keep a process alive.
  const awake = setInterval(() => undefined, 1000)
  await new Promise<void>((resolve) => {
    const stop = watch(
      () => Promise.resolve(found[looks++] ?? 'well'),
      (what) => {
        told.push(`${what} at ${looks}`)
        if (what !== 'database') return
        stop()
        resolve()
      },
      2,
    )
  })
  clearInterval(awake)
  expect(told).toEqual(['web at 6', 'database at 10'])
})
