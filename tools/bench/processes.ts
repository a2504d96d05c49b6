import { readdirSync, readFileSync } from 'node:fs'

/** A process and its children. */
export function family(pid: number): number[] {
  const parents = readdirSync('/proc').flatMap((name) => {
    if (!/^\d+$/.test(name)) return []
    try {
      const stat = readFileSync(`/proc/${name}/stat`, 'utf8')
      return [{ pid: Number(name), parent: Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]) }]
    } catch {
      return []
    }
  })
  return [pid, ...parents.filter(({ parent }) => parent === pid).map(({ pid: child }) => child)]
}

/** Sends a signal to each that still runs. */
export function tell(pids: readonly number[], signal: NodeJS.Signals): void {
  for (const pid of pids)
    try {
      process.kill(pid, signal)
    } catch {
      // It has ended by itself meanwhile.
    }
}
