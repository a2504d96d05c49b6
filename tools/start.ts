import { spawn, type ChildProcess } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { closePool, isDatabaseGone } from '@/db/client'
import { DatabaseUnfit, migrateDatabase } from '@/db/migrate'
import { countPeople } from '@/db/queries/workspace'
import { DEMO_EMAIL, DEMO_PASSWORD } from '@/server/demoAccount'
import { loadDemo } from '@/server/loadDemo'
import { ensureBuilt } from './build'
import { canConnect, startCluster, stopCluster, type Cluster } from './cluster'
import { clearRunning, dataFolder, isOurs, readRunning, writeRunning } from './place'
import { freePort, hasEnded, isRunning, root, until } from './run'
import { Backoff, healthOf, serverIsWell, watch } from './watch'
import { endLeftovers } from './stop'
import { Trouble } from './trouble'

const PORT = 4180

function secretOf(folder: string): string {
  const file = `${folder}/secret`
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 })
  return readFileSync(file, 'utf8')
}

/** Brings the database up to date and puts the demo in when it is empty and wanted. Returns whether the demo is in it. */
async function prepareDatabase(url: string, wantsDemo: boolean): Promise<void> {
  process.env.DATABASE_URL = url
  try {
    await migrateDatabase()
    if (wantsDemo && (await countPeople()) === 0) {
      console.error('gale: loading the demo…')
      await loadDemo()
    }
  } catch (error) {
    if (error instanceof DatabaseUnfit) throw new Trouble(error.message)
    if (isDatabaseGone(error))
      throw new Trouble(
        `The database at ${new URL(url).host} cannot be reached. Check DATABASE_URL and that the server runs. Nothing was changed.`,
      )
    throw error
  } finally {
    await closePool()
  }
}

async function startWeb(port: number): Promise<ChildProcess> {
  const child = spawn(
    process.execPath,
    [`${root}/node_modules/next/dist/bin/next`, 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      cwd: root,
      detached: true,
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', PORT: String(port) },
    },
  )
  const answers = async () =>
    hasEnded(child) ||
    (await fetch(`http://127.0.0.1:${port}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    ))
  if (!(await until(answers, 60)) || hasEnded(child))
    throw new Trouble('The server did not start; its message is above.')
  return child
}

/** Most memory the importer may hold; a file of a million lines takes a third of it. */
const IMPORTER_MB = 160

/** The importer is waited for this long at most: nobody but it waits meanwhile. */
const IMPORTER_WAITS_S = 4

/** The process that reads waiting readings files. The channel to it makes it end when this process does. */
const startImporter = (): ChildProcess =>
  spawn(
    process.execPath,
    [`--max-old-space-size=${IMPORTER_MB}`, '--import', 'tsx', `${root}/src/server/jobs/importer.ts`],
    { cwd: root, detached: true, stdio: ['ignore', 'ignore', 'inherit', 'ipc'], env: process.env },
  )

/** Keeps server, importer and database running until it is told to stop: one that dies is started again, and one that does not answer is ended
 *  first. What keeps dying is waited for longer and longer. */
async function supervise(
  first: { cluster: Cluster | null; web: ChildProcess; importer: ChildProcess },
  again: { cluster: () => Promise<Cluster>; web: () => Promise<ChildProcess>; importer: () => ChildProcess },
  note: (c: Cluster | null, web: ChildProcess, importer: ChildProcess) => void,
  { url, databaseUrl }: { url: string; databaseUrl: string },
): Promise<void> {
  let { cluster, web, importer } = first
  let stopping = false
  let wake = () => undefined as void
  const stop = () => {
    stopping = true
    wake()
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  const backoffs = { database: new Backoff(), server: new Backoff(), importer: new Backoff(IMPORTER_WAITS_S) }
  /** Says that it is started again, after a while where it keeps ending. */
  const beforeAgain = async (what: keyof typeof backoffs): Promise<void> => {
    const waitS = backoffs[what].next(Date.now())
    console.error(`gale: the ${what} ended; starting it again${waitS > 0 ? ` in ${waitS} s` : ''}.`)
    await until(() => stopping, waitS)
  }
  const stopWatching = watch(
    () =>
      healthOf(
        () => serverIsWell(url),
        () => canConnect(cluster?.url ?? databaseUrl),
      ),
    (what) => {
      if (stopping) return
      if (what === 'web') {
        console.error('gale: the server does not answer.')
        web.kill('SIGKILL')
        // A database that is slow is not ended: what it has in hand would be lost for those who wait for it.
      } else console.error('gale: the database does not answer; waiting for it.')
    },
  )
  while (!stopping) {
    await new Promise<void>((resolve) => {
      wake = resolve
      if (hasEnded(web) || hasEnded(importer) || (cluster && hasEnded(cluster.process))) resolve()
      web.once('exit', () => resolve())
      importer.once('exit', () => resolve())
      cluster?.process.once('exit', () => resolve())
    })
    if (stopping) break
    if (cluster && hasEnded(cluster.process)) {
      await beforeAgain('database')
      if (stopping) break
      cluster = await again.cluster()
    }
    if (hasEnded(web)) {
      await beforeAgain('server')
      if (stopping) break
      web = await again.web()
    }
    if (hasEnded(importer)) {
      await beforeAgain('importer')
      if (stopping) break
      importer = again.importer()
    }
    note(cluster, web, importer)
  }
  stopWatching()
  importer.kill('SIGTERM')
  if (!hasEnded(web)) web.kill('SIGTERM')
  if (!(await until(() => hasEnded(web), 10))) web.kill('SIGKILL')
  if (cluster) await stopCluster(cluster)
}

export async function start(args: readonly string[]): Promise<number> {
  const unknown = args.find((arg) => arg !== '--fresh-demo' && arg !== '--empty')
  if (unknown !== undefined) {
    console.error(`gale: start does not know “${unknown}”; it takes --fresh-demo or --empty.`)
    return 2
  }
  const folder = dataFolder()
  const running = readRunning()
  if (running && isOurs('gale', running.gale)) {
    console.error(
      `gale: Soft Gale already runs at ${running.url} (process ${running.gale}). Open that, or ./gale stop first.`,
    )
    return 1
  }
  mkdirSync(folder, { recursive: true })
  await endLeftovers()
  // An empty DATABASE_URL is none.
  const external = process.env.DATABASE_URL || null
  if (args.includes('--fresh-demo') || args.includes('--empty')) {
    if (external)
      throw new Trouble(
        'DATABASE_URL names a database of yours; --fresh-demo and --empty only ever empty our private one. Empty yours by hand, or unset DATABASE_URL.',
      )
    rmSync(`${folder}/postgres`, { recursive: true, force: true })
    rmSync(`${folder}/empty`, { force: true })
    if (args.includes('--empty')) writeFileSync(`${folder}/empty`, '')
  }
  const wantsDemo = !existsSync(`${folder}/empty`)
  await ensureBuilt()
  const port = await freePort(Number(process.env.GALE_PORT ?? PORT))
  const url = `http://127.0.0.1:${port}`
  process.env.BETTER_AUTH_SECRET ??= secretOf(folder)
  process.env.GALE_DEMO = wantsDemo ? '1' : ''
  process.env.GALE_URL = url
  process.env.PORT = String(port)
  const cluster = external ? null : await startCluster(folder)
  const note = (c: Cluster | null, w: ChildProcess | null, i: ChildProcess | null) =>
    writeRunning({
      gale: process.pid,
      postgres: c?.process.pid ?? null,
      web: w?.pid ?? null,
      importer: i?.pid ?? null,
      url,
    })
  note(cluster, null, null)
  try {
    await prepareDatabase(external ?? cluster!.url, wantsDemo)
    const web = await startWeb(port)
    const importer = startImporter()
    note(cluster, web, importer)
    console.log(`Soft Gale is at ${url}`)
    console.log(
      wantsDemo
        ? `Demo sign-in: ${DEMO_EMAIL}  password: ${DEMO_PASSWORD}`
        : 'No demo: the first person to sign up makes the workspace.',
    )
    console.log('Ctrl-C stops it.')
    const databasePort = cluster ? Number(new URL(cluster.url).port) : undefined
    await supervise(
      { cluster, web, importer },
      { cluster: () => startAgain(folder, databasePort), web: () => startWeb(port), importer: startImporter },
      note,
      { url, databaseUrl: external ?? cluster!.url },
    )
  } catch (error) {
    if (cluster) await stopCluster(cluster)
    throw error
  } finally {
    clearRunning()
  }
  console.log('Soft Gale has stopped; the data is kept.')
  return 0
}

/** After a crash the backends of the old database take a moment to notice; until then it cannot start again. */
async function startAgain(folder: string, port: number | undefined): Promise<Cluster> {
  const pidFile = `${folder}/postgres/postmaster.pid`
  const old = existsSync(pidFile) ? Number(readFileSync(pidFile, 'utf8').split('\n')[0]) : 0
  await until(() => !isRunning(old), 10)
  let cluster: Cluster | null = null
  let trouble: unknown = null
  await until(async () => {
    try {
      cluster = await startCluster(folder, { port })
      return true
    } catch (error) {
      trouble = error
      return false
    }
  }, 30)
  if (!cluster) throw trouble
  return cluster
}
