import { performance } from 'node:perf_hooks'

type Ask = { readonly ms: number; readonly busyMs: number }

/** What is drawn of pages asked for at these times, when the loop had been busy so long in all. */
async function drawn(asks: readonly Ask[]): Promise<boolean[]> {
  jest.resetModules()
  const { mayDraw } = await import('@/server/drawing')
  let now: Ask = { ms: 0, busyMs: 0 }
  jest.spyOn(performance, 'now').mockImplementation(() => now.ms)
  jest.spyOn(performance, 'eventLoopUtilization').mockImplementation((a, b) => {
    const idle = (a?.idle ?? now.ms - now.busyMs) - (b?.idle ?? 0)
    const active = (a?.active ?? now.busyMs) - (b?.active ?? 0)
    return { idle, active, utilization: active / (idle + active) }
  })
  return asks.map((ask) => {
    now = ask
    return mayDraw()
  })
}

test.each<[what: string, asks: Ask[], answers: boolean[]]>([
  [
    'one page in half a second',
    [10, 300, 510, 900, 1010, 9000].map((ms) => ({ ms, busyMs: 0 })),
    [true, false, true, false, true, true],
  ],
  [
    'none while there is much to do, and again after',
    [
      { ms: 1000, busyMs: 100 },
      { ms: 2000, busyMs: 600 },
      { ms: 3000, busyMs: 1000 },
      { ms: 4000, busyMs: 1300 },
    ],
    [true, false, false, true],
  ],
])('%s', async (_what, asks, answers) => {
  expect(await drawn(asks)).toEqual(answers)
})
