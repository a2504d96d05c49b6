const LATEST_MS = 3000

/** Does something once the page has nothing else to do, or after three seconds.
 *  @returns what calls it off */
export function whenIdle(work: () => void): () => void {
  // Safari does not tell when it is idle.
  if (!('requestIdleCallback' in window)) {
    const timer = setTimeout(work, LATEST_MS)
    return () => clearTimeout(timer)
  }
  const asked = window.requestIdleCallback(work, { timeout: LATEST_MS })
  return () => window.cancelIdleCallback(asked)
}
