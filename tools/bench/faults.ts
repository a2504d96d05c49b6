import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { DEMO_EMAIL, DEMO_PASSWORD } from '@/server/demoAccount'
import { until } from '../run'
import { signIn } from './signIn'
import { seeded } from '@/testing/seeded'

// `npm run faults [ROUNDS [SEED]]`: kills parts of a running Soft Gale at random moments while it is being written into, interrupts starts at random
// moments, and counts what was acknowledged and is lost, and what was left behind. Both aims are 0. The short form is in `e2e/durability.spec.ts` and
// `e2e/faults.spec.ts`.

const PORT = '4580'

type Gale = { readonly child: ChildProcess; readonly url: string }

function spawnGale(folder: string): ChildProcess {
  return spawn('./gale', ['start'], {
    env: { ...process.env, DATABASE_URL: '', GALE_DATA_DIR: folder, GALE_PORT: PORT, GALE_LIMIT_TIMES: '1000' },
    stdio: ['ignore', 'pipe', 'ignore'],
  })
}

const ended = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => (child.exitCode === null ? child.once('exit', () => resolve()) : resolve()))

async function up(folder: string): Promise<Gale> {
  const child = spawnGale(folder)
  let said = ''
  child.stdout?.on('data', (chunk: Buffer) => (said += chunk.toString()))
  await until(() => said.includes('Ctrl-C stops it') || child.exitCode !== null, 180)
  const url = /Soft Gale is at (\S+)/.exec(said)?.[1]
  if (!url) throw new Error(`it did not start: ${said}`)
  return { child, url }
}

class Hand {
  acknowledged = { saves: 0, entries: new Set<string>() }
  private cookie = ''
  private version = 0
  private saveId = randomUUID()
  private id = ''
  private document: Record<string, unknown> = {}

  constructor(private readonly url: string) {}

  private ask(path: string, init: RequestInit = {}): Promise<Response | null> {
    const headers = { 'content-type': 'application/json', origin: this.url, cookie: this.cookie }
    return fetch(this.url + path, { ...init, headers, signal: AbortSignal.timeout(5000) }).catch(() => null)
  }

  async signIn(): Promise<void> {
    await until(async () => {
      this.cookie = (await signIn(this.url, DEMO_EMAIL, DEMO_PASSWORD)) ?? ''
      return this.cookie !== ''
    }, 60)
    const found = (await (await this.ask('/api/find?holds=Inverter'))?.json()) as { found: { id: string }[] }
    this.id = found.found[0]!.id
    await this.read()
  }

  private async read(): Promise<number> {
    let version = 0
    await until(async () => {
      const answer = await this.ask(`/api/working-copy/${this.id}`)
      if (!answer?.ok) return false
      const copy = (await answer.json()) as { version: number; document: Record<string, unknown> }
      ;({ version } = copy)
      this.document = copy.document
      return true
    }, 90)
    this.version = version
    return version
  }

  /** Saves as a page does: the same save again until it is answered. */
  async write(isOver: () => boolean): Promise<void> {
    while (!isOver()) {
      const document = { ...this.document, name: `Inverter ${this.version}` }
      const body = JSON.stringify({ baseVersion: this.version, saveId: this.saveId, document })
      const answer = await this.ask(`/api/working-copy/${this.id}`, { method: 'PUT', body })
      if (answer?.status !== 200) continue
      this.version = ((await answer.json()) as { version: number }).version
      this.saveId = randomUUID()
      this.acknowledged.saves++
    }
  }

  /** Saves that were acknowledged and are not there. */
  async lost(): Promise<number> {
    const acknowledged = this.version
    return Math.max(0, acknowledged - (await this.read()))
  }
}

/** Processes that still work on a folder. */
const left = (folder: string): number =>
  readdirSync('/proc').filter((name) => {
    if (!/^\d+$/.test(name)) return false
    try {
      return readFileSync(`/proc/${name}/cmdline`, 'utf8').includes(folder)
    } catch {
      return false
    }
  }).length

async function killings(rounds: number, next: () => number): Promise<void> {
  const folder = mkdtempSync(`${tmpdir()}/gale-faults-`)
  const first = await up(folder)
  let { child } = first
  const hand = new Hand(first.url)
  await hand.signIn()
  let isOver = false
  const writing = hand.write(() => isOver)
  const killed: Record<string, number> = {}
  for (let round = 0; round < rounds; round++) {
    await new Promise((resolve) => setTimeout(resolve, 200 + next() * 4000))
    const victim = (['web', 'postgres', 'importer', 'gale'] as const)[Math.floor(next() * 4)]!
    const running = JSON.parse(readFileSync(`${folder}/running.json`, 'utf8')) as Record<string, number | null>
    const pid = running[victim]
    if (!pid) continue
    try {
      process.kill(pid, 'SIGKILL')
    } catch {
      continue
    }
    killed[victim] = (killed[victim] ?? 0) + 1
    if (victim !== 'gale') continue
    await ended(child)
    // On the same port: the hand goes on.
    ;({ child } = await up(folder))
  }
  isOver = true
  await writing
  const lost = await hand.lost()
  console.log(
    `killed ${Object.entries(killed)
      .map(([name, count]) => `${name} ${count} times`)
      .join(', ')}: ${hand.acknowledged.saves} saves acknowledged, ${lost} lost (aim 0)`,
  )
  child.kill('SIGTERM')
  await ended(child)
  rmSync(folder, { recursive: true, force: true })
}

async function interruptions(rounds: number, next: () => number): Promise<void> {
  const folder = mkdtempSync(`${tmpdir()}/gale-faults-`)
  let orphans = 0
  for (let round = 0; round < rounds; round++) {
    const child = spawnGale(folder)
    await new Promise((resolve) => setTimeout(resolve, next() * 8000))
    child.kill(next() < 0.5 ? 'SIGTERM' : 'SIGKILL')
    await ended(child)
    // A start that was killed outright leaves its database to the next one, which ends it.
    if (child.signalCode !== 'SIGKILL' && !(await until(() => left(folder) === 0, 15))) orphans++
  }
  const { child } = await up(folder)
  child.kill('SIGTERM')
  await ended(child)
  const behind = (await until(() => left(folder) === 0, 15)) ? 0 : left(folder)
  console.log(
    `${rounds} starts interrupted: ${orphans} left something running, ${behind} processes left at the end (aim 0)`,
  )
  rmSync(folder, { recursive: true, force: true })
}

const [rounds = 20, seed = 1] = process.argv.slice(2).map(Number)
const next = seeded(seed)
await killings(rounds, next)
await interruptions(rounds, next)
process.exit(0)
