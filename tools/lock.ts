import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { Trouble } from './trouble'

/** Overrides a file’s lock for as long as this process lives. The lock is the kernel’s, held by a child that ends when our end of its pipe closes: nothing
 *  stale is left behind, however this process ends. Null where another holds it. */
export async function holdLock(file: string): Promise<{ release: () => void } | null> {
  const child: ChildProcess = spawn('flock', ['--nonblock', '--conflict-exit-code', '75', file, 'cat'], {
    stdio: ['pipe', 'pipe', 'ignore'],
    detached: true,
  })
  child.stdin?.on('error', () => undefined)
  child.stdin?.write('held\n')
  const code = await Promise.race([
    once(child.stdout!, 'data').then(() => 'held' as const),
    once(child, 'exit').then(([status]) => status as number | null),
    once(child, 'error').then(() => null),
  ])
  if (code === 'held') {
    child.unref()
    return { release: () => child.stdin?.end() }
  }
  if (code === 75) return null
  throw new Trouble(`${file} cannot be locked. Is the folder writable, and is Debian's util-linux (flock) there?`)
}
