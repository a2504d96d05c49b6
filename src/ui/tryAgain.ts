const KEY = 'gale-tried-again'
const WITHIN_MS = 60_000
const MOST = 4

/** Whether a page that could not be made may load itself anew: a few times a minute, so that what passes passes by itself and what stays is not asked
 *  for without end. Counts this time.
 *  @param nowMs the time it is, ms */
export function mayTryAgain(nowMs: number): boolean {
  const tried = (sessionStorage.getItem(KEY) ?? '')
    .split(' ')
    .map(Number)
    .filter((atMs) => atMs > 0 && nowMs - atMs < WITHIN_MS)
  if (tried.length >= MOST) return false
  sessionStorage.setItem(KEY, [...tried, nowMs].join(' '))
  return true
}
