import type { ChildProcess } from 'node:child_process'
import { canConnect, stopCluster, type Cluster } from './cluster'
import { hasEnded, until } from './run'
import { Backoff, healthOf, serverIsWell, watch } from './watch'

/** What is kept running; the database is null where it is not ours to run. */
export type Parts = { cluster: Cluster | null; web: ChildProcess | null; importer: ChildProcess | null }

/** How each is started again. */
export type Again = {
  readonly cluster: () => Promise<Cluster>
  readonly web: () => Promise<ChildProcess>
  readonly importer: () => ChildProcess
}

/** The importer is waited for this long at most: nobody but it waits meanwhile. */
const IMPORTER_WAITS_S = 4

/** Waits until a process ends. */
const ended = (child: ChildProcess | undefined | null): Promise<void> =>
  new Promise((resolve) => {
    if (!child) return
    if (hasEnded(child)) return resolve()
    child.once('exit', () => resolve())
  })

/** Keeps server, importer and database running until it is told to stop: one that dies is started again, and one that does not answer is ended
 *  first. What keeps dying is waited for longer and longer. */
export async function supervise(
  parts: Parts,
  again: Again,
  onChange: () => void,
  { localUrl, databaseUrl, signal }: { localUrl: string; databaseUrl: string; signal: AbortSignal },
): Promise<void> {
  const backoffs = { database: new Backoff(), server: new Backoff(), importer: new Backoff(IMPORTER_WAITS_S) }
  const stopped = new Promise<void>((resolve) => signal.addEventListener('abort', () => resolve(), { once: true }))
  /** Says that it is started again, after a while where it keeps ending. */
  const beforeAgain = async (what: keyof typeof backoffs): Promise<void> => {
    const waitS = backoffs[what].next(Date.now())
    console.error(`gale: the ${what} ended; starting it again${waitS > 0 ? ` in ${waitS} s` : ''}.`)
    await until(() => signal.aborted, waitS)
  }
  const stopWatching = watch(
    () =>
      healthOf(
        () => serverIsWell(localUrl),
        () => canConnect(parts.cluster?.url ?? databaseUrl),
      ),
    (what) => {
      if (signal.aborted) return
      if (what === 'web') {
        console.error('gale: the server does not answer.')
        parts.web?.kill('SIGKILL')
        // A database that is slow is not ended: what it has in hand would be lost for those who wait for it.
      } else console.error('gale: the database does not answer; waiting for it.')
    },
  )
  /** What cannot be started again now is tried again, later each time. */
  const orSay = async (work: () => Promise<unknown>): Promise<void> => {
    if (signal.aborted) return
    await work().catch((error: unknown) => {
      if (!signal.aborted) console.error(`gale: ${error instanceof Error ? error.message : String(error)}`)
    })
  }
  const isOver = (child: ChildProcess | undefined | null) => child !== undefined && (child === null || hasEnded(child))
  try {
    while (!signal.aborted) {
      await Promise.race([stopped, ended(parts.web), ended(parts.importer), ended(parts.cluster?.process)])
      if (!signal.aborted && isOver(parts.cluster?.process)) {
        await beforeAgain('database')
        await orSay(async () => (parts.cluster = await again.cluster()))
      }
      if (!signal.aborted && isOver(parts.web)) {
        await beforeAgain('server')
        await orSay(async () => (parts.web = await again.web()))
      }
      if (!signal.aborted && isOver(parts.importer)) {
        await beforeAgain('importer')
        if (!signal.aborted) parts.importer = again.importer()
      }
      onChange()
    }
  } finally {
    stopWatching()
  }
}

/** Ends everything that was begun, the server before its database. */
export async function endParts({ web, importer, cluster }: Parts): Promise<void> {
  for (const child of [importer, web]) if (child && !hasEnded(child)) child.kill('SIGTERM')
  for (const child of [web, importer]) if (child && !(await until(() => hasEnded(child), 12))) child.kill('SIGKILL')
  if (cluster) await stopCluster(cluster)
}
