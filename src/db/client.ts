import { sql } from 'drizzle-orm'
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { Pool } from 'pg'
import * as schema from '@/db/schema'

export type Database = NodePgDatabase<typeof schema>
/** What a query runs on inside a transaction. */
export type Transaction = Database

/** Who asks, and for which workspace. Made by `requireScope` from a session, or by the demo loader and tests. */
export type Scope = { readonly workspaceId: string; readonly personId: string; readonly personName: string }

// Next.js loads server modules more than once; the pool must be one.
const held = globalThis as { galePool?: Pool; galeHealth?: Pool }

function newPool(url: string | undefined, max: number, connectionTimeoutMillis: number): Pool {
  const made = new Pool({ connectionString: url, max, connectionTimeoutMillis })
  // An idle connection that dies with its server must not take the process with it; the next query asks for a new one.
  made.on('error', () => undefined)
  return made
}

/** So long a request waits for a connection: a machine that is busy with something else is no database that is away, which is told at once. */
const WAIT_MS = 10_000

export function pool(): Pool {
  if (held.galePool) return held.galePool
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set; start with ./gale start')
  return (held.galePool = newPool(url, 10, WAIT_MS))
}

/** How the connections are used: in use, idle, and how many requests wait for one. */
export function poolFigures(): { readonly used: number; readonly idle: number; readonly waiting: number } {
  const { totalCount = 0, idleCount = 0, waitingCount = 0 } = held.galePool ?? {}
  return { used: totalCount - idleCount, idle: idleCount, waiting: waitingCount }
}

export const database = (): Database => drizzle(pool(), { schema })

/** Asks the database something, over a connection that is used for nothing else: where every other is busy it is no less well. */
export async function askDatabase(): Promise<void> {
  held.galeHealth ??= newPool(process.env.DATABASE_URL, 1, 3000)
  await held.galeHealth.query('select 1')
}

/** Closes the pool, so that a test or a command can end. */
export async function closePool(): Promise<void> {
  await Promise.all([held.galePool?.end(), held.galeHealth?.end()])
  delete held.galeHealth
  delete held.galePool
}

/** Everything or nothing. The client always goes back to the pool, or is thrown away where its connection is broken: the ORM’s own `transaction`
 *  sends `begin` before its `try`, and a pool whose database restarts often enough is empty for good. */
export async function inTransaction<T>(work: (tx: Transaction) => Promise<T>): Promise<T> {
  const client = await pool().connect()
  let broken: Error | undefined
  const onError = (error: Error) => (broken = error)
  client.on('error', onError)
  try {
    await client.query('begin')
    const result = await work(drizzle(client, { schema }))
    await client.query('commit')
    return result
  } catch (error) {
    if (isDatabaseGone(error)) onError(error as Error)
    else await client.query('rollback').catch(onError)
    throw error
  } finally {
    client.off('error', onError)
    // A client that is given back with an error is closed.
    client.release(broken)
  }
}

/** The one way to the rows of a workspace: a transaction for which row security sees this workspace and no other. */
export const inWorkspace = <T>(
  { workspaceId }: Pick<Scope, 'workspaceId'>,
  work: (tx: Transaction) => Promise<T>,
): Promise<T> =>
  inTransaction(async (tx) => {
    await tx.execute(sql`select set_config('gale.workspace', ${workspaceId}, true)`)
    return work(tx)
  })

/** Connection errors of the driver and the server's own "shutting down", "starting up", "crashed"; those of class 08, which poolers use for whatever
 *  they cannot pass on, come beside them. */
const GONE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOENT', '57P01', '57P02', '57P03'])

/** Whether an error, or one that it came from, is of a kind. */
function isOfKind(error: unknown, test: (error: { code: string; message: string }) => boolean): boolean {
  if (typeof error !== 'object' || error === null) return false
  const { code, message, cause, errors } = error as ErrorLike
  if (test({ code: typeof code === 'string' ? code : '', message: typeof message === 'string' ? message : '' }))
    return true
  return (Array.isArray(errors) && errors.some((one) => isOfKind(one, test))) || isOfKind(cause, test)
}

type ErrorLike = { code?: unknown; message?: unknown; cause?: unknown; errors?: unknown }

/** Whether an error means that the database could not be reached, rather than that it refused. */
export const isDatabaseGone = (error: unknown): boolean =>
  isOfKind(
    error,
    ({ code, message }) =>
      GONE.has(code) ||
      code.startsWith('08') ||
      /Connection terminated|connection error and is not queryable|Client was closed/i.test(message),
  )

/** Whether all connections were in use for too long, or too much waits for a worker: the database is well, and asked too much. */
export const isDatabaseBusy = (error: unknown): boolean =>
  isOfKind(
    error,
    ({ code, message }) =>
      code === '53300' || /timeout exceeded when trying to connect|Task queue is at limit/i.test(message),
  )

/** Whether the disk under the database is full. */
export const isDiskFull = (error: unknown): boolean =>
  isOfKind(error, ({ code }) => code === '53100' || code === 'ENOSPC')
