import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { Piscina } from 'piscina'
import type { TaskName, Tasks } from '@/server/heavy/tasks'

// Next.js loads server modules more than once; the pool must be one.
const held = globalThis as { galeWorkers?: Piscina }

/** Tasks that may wait; beyond that the server is too busy, and says so. */
const MOST_WAITING = 200

const pool = (): Piscina =>
  (held.galeWorkers ??= new Piscina({
    // Built beside the application, see `tools/build`.
    filename: join(process.cwd(), '.next/gale/worker.mjs'),
    minThreads: 1,
    maxThreads: Math.max(1, availableParallelism() - 1),
    maxQueue: MOST_WAITING,
    idleTimeout: Infinity,
    resourceLimits: { maxOldGenerationSizeMb: 192, maxYoungGenerationSizeMb: 16 },
  }))

/** Runs a task off the event loop, so that other requests go on meanwhile.
 *  @throws an error with `message` "Task queue is at limit" when too many wait: see `isDatabaseBusy` */
export async function heavy<Name extends TaskName>(
  name: Name,
  ...args: Parameters<Tasks[Name]>
): Promise<ReturnType<Tasks[Name]>> {
  if (process.env.GALE_WORKERS === '0') {
    const { TASKS } = await import('@/server/heavy/tasks')
    const task = TASKS[name] as unknown as (...given: Parameters<Tasks[Name]>) => ReturnType<Tasks[Name]>
    return task(...args)
  }
  return (await pool().run({ name, args })) as ReturnType<Tasks[Name]>
}
