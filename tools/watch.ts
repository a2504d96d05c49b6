/** How long to wait before something is started again: not at all the first time, then longer and longer while it keeps ending. */
export class Backoff {
  private waits = 0
  private lastMs = -Infinity

  constructor(
    private readonly mostS = 60,
    /** After so long without a restart it counts as well. */
    private readonly forgetMs = 600_000,
  ) {}

  /** Seconds to wait now. */
  next(nowMs: number): number {
    this.waits = nowMs - this.lastMs > this.forgetMs ? 0 : this.waits + 1
    this.lastMs = nowMs
    return this.waits === 0 ? 0 : Math.min(this.mostS, 2 ** (this.waits - 1))
  }
}

const PATIENCE_MS = 5000
const EVERY_MS = 10_000
/** So many looks in a row that find it sick: one may fall into a restart of the database. */
const SICK_LOOKS = 3

export type Health = 'well' | 'web' | 'database'

/** Who is to blame when the server does not say that all is well: the database where it does not answer us either, else the server.
 *  @param askServer whether `/api/health`, which asks the database, says that all is well
 *  @param askDatabase whether the database answers us */
export async function healthOf(
  askServer: () => Promise<boolean>,
  askDatabase: () => Promise<boolean>,
): Promise<Health> {
  if (await askServer()) return 'well'
  return (await askDatabase()) ? 'web' : 'database'
}

/** Whether the server says that it is well, and soon. */
export const serverIsWell = (url: string, patienceMs = PATIENCE_MS): Promise<boolean> =>
  fetch(`${url}/api/health`, { signal: AbortSignal.timeout(patienceMs) }).then(
    ({ ok }) => ok,
    () => false,
  )

/** Looks again and again; what was found sick three times in a row by the same blame is told once. Returns how to stop looking. */
export function watch(
  look: () => Promise<Health>,
  onSick: (what: 'web' | 'database') => void,
  everyMs = EVERY_MS,
): () => void {
  let [sick, count]: [Health, number] = ['well', 0]
  let isLooking = false
  const timer = setInterval(() => {
    if (isLooking) return
    isLooking = true
    void look()
      .then((health) => {
        count = health === sick ? count + 1 : 1
        sick = health
        if (health === 'well' || count < SICK_LOOKS) return
        count = 0
        onSick(health)
      })
      .finally(() => (isLooking = false))
  }, everyMs)
  timer.unref()
  return () => clearInterval(timer)
}
