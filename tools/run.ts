import { execFileSync, spawn, type ChildProcess, type SpawnOptions } from 'node:child_process'
import { once } from 'node:events'
import { createServer } from 'node:net'
import { statfsSync } from 'node:fs'
import { Trouble } from './trouble'

export const root = process.cwd()

export const tool = (name: string): string => `${root}/node_modules/.bin/${name}`

/** Runs a program to its end with our own output; true when it ended well. */
export async function passes(command: string, args: readonly string[], options: SpawnOptions = {}): Promise<boolean> {
  const child = spawn(command, args, { stdio: 'inherit', ...options })
  const [code] = (await once(child, 'exit')) as [number | null]
  return code === 0
}

/** Runs a program quietly and returns what it said; throws with its own words when it fails. */
export function output(
  command: string,
  args: readonly string[],
  options: { uid?: number; gid?: number; cwd?: string } = {},
): string {
  try {
    return execFileSync(command, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'], ...options }).trim()
  } catch (error) {
    const errors = error instanceof Error && 'stderr' in error ? String(error.stderr).trim() : ''
    throw new Trouble(`${command} ${args[0] ?? ''} failed: ${errors || String(error)}`)
  }
}

export const isRunning = (pid: number): boolean => {
  try {
    process.kill(pid, 0)
    return true
  } catch {
    return false
  }
}

export const hasEnded = (child: ChildProcess): boolean => child.exitCode !== null || child.signalCode !== null

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** Waits until `ready` says so, looking every tenth of a second; false when the time is up. */
export async function until(ready: () => boolean | Promise<boolean>, seconds: number): Promise<boolean> {
  const end = Date.now() + seconds * 1000
  while (Date.now() < end) {
    if (await ready()) return true
    await pause(100)
  }
  return false
}

const canListen = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(false))
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)))
  })

/** The first free port on loopback from `from` on. */
export async function freePort(from: number): Promise<number> {
  for (let port = from; port < from + 100; port++) if (await canListen(port)) return port
  throw new Trouble(`All ports from ${from} to ${from + 99} are taken; free one, or set GALE_PORT to another.`)
}

/** Refuses to begin what a full disk would break off in the middle. */
export function needDisk(folder: string, megabytes: number): void {
  const { bavail, bsize } = statfsSync(folder)
  const free = Math.floor((bavail * bsize) / 1e6)
  if (free < megabytes)
    throw new Trouble(
      `The disk under ${folder} has ${free} MB left; at least ${megabytes} MB are needed. Make room and run this again. Nothing was changed.`,
    )
}
