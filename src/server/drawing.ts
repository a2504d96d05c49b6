/** To draw a page that is worked out from a document takes 50 to 250 ms of the event loop: with this distance others have at least half of it. */
const DISTANCE_MS = 500

let lastMs = -Infinity

/** Whether this process draws the page that is asked for, or leaves it to the browser, which can do it as well; true at most once in 500 ms.
 *  @param nowMs any clock that only runs forward */
export function mayDraw(nowMs = performance.now()): boolean {
  if (nowMs - lastMs < DISTANCE_MS) return false
  lastMs = nowMs
  return true
}
