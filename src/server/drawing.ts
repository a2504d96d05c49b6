import { performance, type EventLoopUtilization } from 'node:perf_hooks'

/** To draw a page that is worked out from a document takes 50 to 250 ms of the event loop: with this distance others have at least half of it. */
const DISTANCE_MS = 500
/** Where others had this share of it since, they have it all. */
const BUSY_SHARE = 0.4

type Asked = { readonly atMs: number; readonly loop: EventLoopUtilization }

let last: Asked | null = null

/** Whether this process draws the page that is asked for, or leaves it to the browser, which can do it as well: at most once in 500 ms, and not while
 *  there is much to do. */
export function mayDraw(): boolean {
  const now = { atMs: performance.now(), loop: performance.eventLoopUtilization() }
  const before = last
  if (before && now.atMs - before.atMs < DISTANCE_MS) return false
  last = now
  return !before || performance.eventLoopUtilization(now.loop, before.loop).utilization < BUSY_SHARE
}
