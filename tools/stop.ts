import { existsSync, readFileSync } from 'node:fs'
import { clearRunning, dataFolder, isOurs, readRunning } from './place'
import { isRunning, until } from './run'

/** Ends what a start that was itself killed left behind. */
export async function endLeftovers(): Promise<void> {
  // The database writes its own number down as soon as it runs, before our note can, and anew when it is started again.
  const left = { web: readRunning()?.web ?? null, postgres: postmaster() }
  for (const [role, signal] of [
    ['web', 'SIGTERM'],
    ['postgres', 'SIGINT'],
  ] as const) {
    const pid = left[role]
    if (pid === null || !isOurs(role, pid)) continue
    process.kill(pid, signal)
    await until(() => !isRunning(pid), 30)
  }
  clearRunning()
}

/** The process that says it serves our private database; null where none does. */
function postmaster(): number | null {
  const file = `${dataFolder()}/postgres/postmaster.pid`
  return existsSync(file) ? Number(readFileSync(file, 'utf8').split('\n')[0]) || null : null
}

export async function stop(): Promise<number> {
  const running = readRunning()
  if (running && isOurs('gale', running.gale)) {
    process.kill(running.gale, 'SIGTERM')
    if (!(await until(() => !isRunning(running.gale), 60))) {
      console.error('gale: it has not stopped within a minute; look at the process ' + running.gale)
      return 1
    }
    console.log('Soft Gale has stopped.')
    return 0
  }
  await endLeftovers()
  console.log('Soft Gale was not running.')
  return 0
}
