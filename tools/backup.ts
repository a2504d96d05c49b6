import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { once } from 'node:events'
import { resolve } from 'node:path'
import { Client } from 'pg'
import { needPostgres } from './debian'
import { startCluster, stopCluster, type Cluster } from './cluster'
import { holdLock } from './lock'
import { dataFolder, ensureFolder, readRunning } from './place'
import { needDisk } from './run'
import { endLeftovers } from './stop'
import { Trouble } from './trouble'

/** Backups that `backup --nightly` keeps: the last seven nights, and those of four Sundays before. */
const NIGHTS = 7
const SUNDAYS = 4

const called = (file: string): string => resolve(process.env.GALE_CALLED_FROM ?? '.', file)

/** Runs one of the programs that write and read a backup, of the version of the database; its own words where it fails. The password goes by the environment, where other users do not see it. */
async function run(name: string, args: readonly string[], url: string): Promise<void> {
  const { hostname, port, username, password, pathname } = new URL(url)
  const child = spawn(`${await needPostgres()}/${name}`, [...args], {
    stdio: ['ignore', 'inherit', 'pipe'],
    env: {
      ...process.env,
      PGHOST: hostname,
      PGPORT: port || '5432',
      PGUSER: decodeURIComponent(username),
      PGPASSWORD: decodeURIComponent(password),
      PGDATABASE: pathname.slice(1),
    },
  })
  let errors = ''
  child.stderr.on('data', (chunk: Buffer) => (errors = (errors + chunk.toString()).slice(-2000)))
  const [code] = (await once(child, 'exit')) as [number | null]
  if (code !== 0) throw new Trouble(`${name} failed: ${errors.trim() || `it ended with ${code}`}`)
}

/** Our database, running or started for this alone; the role that keeps the cluster sees through row security, which a backup must. */
async function withDatabase<T>(work: (urls: { url: string; keeperUrl: string }) => Promise<T>): Promise<T> {
  const external = process.env.DATABASE_URL || null
  if (external) return work({ url: external, keeperUrl: process.env.GALE_OWNER_URL ?? external })
  const folder = dataFolder()
  ensureFolder(folder)
  const lock = await holdLock(`${folder}/lock`)
  if (!lock) {
    const url = readRunning()?.database
    if (!url) throw new Trouble('Soft Gale is being started or stopped just now; try again in a moment.')
    return work({ url, keeperUrl: keeperOf(url) })
  }
  let cluster: Cluster | null = null
  try {
    // A start that was itself killed may have left its database running.
    await endLeftovers()
    cluster = await startCluster(folder)
    return await work({ url: cluster.url, keeperUrl: keeperOf(cluster.url) })
  } finally {
    if (cluster) await stopCluster(cluster)
    lock.release()
  }
}

function keeperOf(url: string): string {
  const keeper = new URL(url)
  keeper.username = 'keeper'
  return keeper.toString()
}

type Figures = Readonly<Record<string, number>>

/** How many rows each table holds: what a backup is checked by. */
async function figuresOf(url: string): Promise<Figures> {
  const client = new Client({ connectionString: url })
  await client.connect()
  try {
    const { rows: tables } = await client.query<{ name: string }>(
      `select quote_ident(table_name) as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`,
    )
    const figures: Record<string, number> = {}
    for (const { name } of tables) {
      const { rows } = await client.query<{ count: string }>(`select count(*) from ${name}`)
      figures[name] = Number(rows[0]?.count ?? 0)
    }
    return figures
  } finally {
    await client.end()
  }
}

/** Writes everything into one file, consistent as of one moment, while the server runs; the file is read again before it has its name. */
export async function backup(args: readonly string[]): Promise<number> {
  const isNightly = args[0] === '--nightly'
  const target = isNightly ? nightlyFile(args[1]) : args[0]
  if (target === undefined || args.length > (isNightly ? 2 : 1)) {
    console.error('gale: say where to: ./gale backup FILE, or ./gale backup --nightly FOLDER')
    return 2
  }
  const file = called(target)
  if (existsSync(file) && !isNightly) throw new Trouble(`${file} is there already; name another file.`)
  mkdirSync(resolve(file, '..'), { recursive: true })
  needDisk(resolve(file, '..'), 50)
  const partial = `${file}.part`
  await withDatabase(async ({ keeperUrl }) => {
    await run('pg_dump', ['--format=custom', '--no-owner', '--no-privileges', `--file=${partial}`], keeperUrl)
    await run('pg_restore', ['--list', '--file=/dev/null', partial], keeperUrl)
  })
  renameSync(partial, file)
  if (isNightly) rotate(called(args[1]!))
  console.log(`Everything is in ${file} (${Math.ceil(statSync(file).size / 1e6)} MB).`)
  return 0
}

const NAME = /^gale-(\d{4}-\d\d-\d\d)\.dump$/
const nightlyFile = (folder: string | undefined): string | undefined =>
  folder === undefined ? undefined : `${folder}/gale-${new Date().toISOString().slice(0, 10)}.dump`

/** Which of these nightly backups go: the newest nights stay, and the Sundays before them. */
export function tooOld(files: readonly string[]): string[] {
  const nights = files
    .filter((file) => NAME.test(file))
    .sort()
    .reverse()
  const isSunday = (file: string) => new Date(`${NAME.exec(file)![1]}T12:00:00Z`).getUTCDay() === 0
  const older = nights.slice(NIGHTS)
  const sundays = older.filter(isSunday).slice(0, SUNDAYS)
  return older.filter((file) => !sundays.includes(file))
}

function rotate(folder: string): void {
  for (const file of tooOld(readdirSync(folder))) rmSync(`${folder}/${file}`)
}

/** Puts a backup into an empty place; one that holds anything stays as it is. */
export async function restore(args: readonly string[]): Promise<number> {
  const [source] = args
  if (source === undefined || args.length > 1) {
    console.error('gale: say what: ./gale restore FILE, with GALE_DATA_DIR or DATABASE_URL naming an empty place')
    return 2
  }
  const file = called(source)
  if (!existsSync(file)) throw new Trouble(`There is no file ${file}.`)
  const counted = await withDatabase(async ({ url, keeperUrl }) => {
    const before = await figuresOf(keeperUrl)
    if (Object.keys(before).length > 0)
      throw new Trouble(
        `There is something in ${process.env.DATABASE_URL ? 'that database' : dataFolder()} already. Name an empty place: GALE_DATA_DIR=/another/folder ./gale restore ${source}. Nothing was changed.`,
      )
    await run('pg_restore', ['--list', '--file=/dev/null', file], keeperUrl)
    // As the role that will own it, all or nothing; row security is put on after the rows are in.
    await run(
      'pg_restore',
      [
        '--no-owner',
        '--no-privileges',
        '--single-transaction',
        '--exit-on-error',
        `--dbname=${new URL(url).pathname.slice(1)}`,
        file,
      ],
      url,
    )
    return figuresOf(keeperUrl)
  })
  const rows = Object.values(counted).reduce((sum, count) => sum + count, 0)
  console.log(
    `${rows} rows in ${Object.keys(counted).length} tables are back, with ${counted.installation ?? 0} installations and ${counted.revision ?? 0} seals. Start it with ./gale start.`,
  )
  return 0
}
