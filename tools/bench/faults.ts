import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statfsSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { seeded } from '@/testing/seeded'
import { needPackage } from '../debian'
import { pause, until } from '../run'
import { Cable, type Cut } from './cable'
import { handsAt, keptByAll, longestGapMs, recoveryMs, sayKept, seconds } from './hand'
import { family, tell } from './processes'

// `npm run faults [ROUNDS [SEED]]`: breaks parts of a running Soft Gale at random moments while many installations are written into, fills its disk,
// interrupts starts at random moments, and counts what was acknowledged and is lost, half or doubled, how long it took, and what was left behind.
// 1,000 rounds take two hours; the short form is in `e2e/durability.spec.ts` and `e2e/faults.spec.ts`.

const PORT = 4580

type Gale = { readonly child: ChildProcess; readonly url: string }

/** Debian's library that shifts the clock of a program. */
const FAKETIME = '/usr/lib/x86_64-linux-gnu/faketime/libfaketimeMT.so.1'

type Clock = Readonly<Record<string, string>>
const DAY_BACK: Clock = { LD_PRELOAD: FAKETIME, FAKETIME: '-1d', FAKETIME_DONT_FAKE_MONOTONIC: '1' }

function spawnGale(folder: string, clock: Clock = {}): ChildProcess {
  return spawn('./gale', ['start'], {
    env: {
      ...process.env,
      ...clock,
      DATABASE_URL: '',
      GALE_DATA_DIR: folder,
      GALE_PORT: String(PORT),
      GALE_LIMIT_TIMES: '1000',
    },
    stdio: ['ignore', 'pipe', 'ignore'],
  })
}

const ended = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => (child.exitCode === null ? child.once('exit', () => resolve()) : resolve()))

async function up(folder: string, clock?: Clock): Promise<Gale> {
  const child = spawnGale(folder, clock)
  let output = ''
  child.stdout?.on('data', (chunk: Buffer) => (output += chunk.toString()))
  await until(() => output.includes('Ctrl-C stops it') || child.exitCode !== null, 180)
  const url = /Soft Gale is at (\S+)/.exec(output)?.[1]
  if (!url) throw new Error(`it did not start: ${output}`)
  return { child, url }
}

const isServing = (pid: number): boolean => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').startsWith('postgres: gale ')
  } catch {
    return false
  }
}

const FAULTS = ['web', 'importer', 'postgres', 'gale', 'backend', 'frozen database', 'cut', 'clock back'] as const

async function breakings(rounds: number, next: () => number): Promise<void> {
  const folder = mkdtempSync(`${tmpdir()}/gale-faults-`)
  const first = await up(folder)
  let { child } = first
  const cable = await Cable.to(PORT)
  const hands = await handsAt(first.url, cable.url)
  let isOver = false
  const writing = Promise.all(hands.map((hand) => hand.write(() => isOver)))
  const recoveries: Record<string, number[]> = {}
  const one = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!
  for (let round = 0; round < rounds; round++) {
    await pause(200 + next() * 3000)
    const fault = one(FAULTS)
    const running = JSON.parse(readFileSync(`${folder}/running.json`, 'utf8')) as Record<string, number | null>
    let overMs = Date.now()
    if (fault === 'cut') {
      cable.cutOff(one<Cut>(['asked', 'answered', 'both']))
      await pause(500 + next() * 6000)
      cable.mend()
      overMs = Date.now()
    } else if (fault === 'frozen database') {
      const pids = family(running.postgres ?? 0)
      tell(pids, 'SIGSTOP')
      await pause(500 + next() * 8000)
      tell(pids, 'SIGCONT')
      overMs = Date.now()
    } else if (fault === 'backend') {
      const backends = family(running.postgres ?? 0).filter(isServing)
      if (backends.length > 0) tell([one(backends)], next() < 0.5 ? 'SIGKILL' : 'SIGTERM')
    } else tell([running[fault === 'clock back' ? 'gale' : fault] ?? 0].filter(Boolean), 'SIGKILL')
    if (fault === 'gale' || fault === 'clock back') {
      await ended(child)
      // On the same port: the hands go on. The next plain start has the right time again.
      ;({ child } = await up(folder, fault === 'clock back' ? DAY_BACK : {}))
      overMs = Date.now()
    }
    await until(() => recoveryMs(hands, overMs) !== null, 120)
    ;(recoveries[fault] ??= []).push(recoveryMs(hands, overMs) ?? Infinity)
  }
  isOver = true
  await writing
  console.log(`${rounds} faults, ${hands.length} installations written into: ${sayKept(await keptByAll(hands))}`)
  for (const [fault, ms] of Object.entries(recoveries)) {
    ms.sort((a, b) => a - b)
    const aim = { web: '; aim 10 s', postgres: '; aim 5 s', backend: '; aim 5 s' }[fault] ?? ''
    console.log(
      `  ${fault}, ${ms.length} times: saves go on after ${seconds(ms[Math.floor(ms.length * 0.95)]!)} at p95, ${seconds(ms.at(-1)!)} at most${aim}`,
    )
  }
  console.log(`  longest outage ${seconds(longestGapMs(hands))}, faults that last and whole starts included`)
  await down(child, cable)
  rmSync(folder, { recursive: true, force: true })
}

async function down(child: ChildProcess, cable: Cable): Promise<void> {
  cable.close()
  child.kill('SIGTERM')
  await ended(child)
}

/** Fills the disk under the data to its last byte, and makes room again: on a small file system of its own, for which it must be root. */
async function fullDisk(rounds: number, next: () => number): Promise<void> {
  const folder = mkdtempSync(`${tmpdir()}/gale-faults-`)
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=600m,mode=755', 'tmpfs', folder], { stdio: 'ignore' })
  } catch {
    console.log('disk full: not tried, this user may mount no file system')
    return rmSync(folder, { recursive: true, force: true })
  }
  try {
    const { child, url } = await up(folder)
    const cable = await Cable.to(PORT)
    const hands = await handsAt(url, cable.url)
    let isOver = false
    const writing = Promise.all(hands.map((hand) => hand.write(() => isOver)))
    let longestMs = 0
    mkdirSync(`${folder}/filler`)
    for (let round = 0; round < rounds; round++) {
      await pause(500 + next() * 1000)
      const endMs = Date.now() + 2000 + next() * 3000
      for (let file = 0; Date.now() < endMs; file++) {
        const { bavail, bsize } = statfsSync(folder)
        if (bavail > 0)
          try {
            writeFileSync(`${folder}/filler/${file}`, Buffer.alloc(Math.min(bavail * bsize, 64e6)))
          } catch {
            // Full, as was wanted.
          }
        await pause(20)
      }
      rmSync(`${folder}/filler`, { recursive: true })
      mkdirSync(`${folder}/filler`)
      const overMs = Date.now()
      await until(() => recoveryMs(hands, overMs) !== null, 120)
      longestMs = Math.max(longestMs, recoveryMs(hands, overMs) ?? Infinity)
    }
    isOver = true
    await writing
    console.log(
      `disk full ${rounds} times: ${sayKept(await keptByAll(hands))}; saves go on ${seconds(longestMs)} after there is room, at most`,
    )
    await down(child, cable)
  } finally {
    execFileSync('umount', ['-l', folder])
    rmSync(folder, { recursive: true, force: true })
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

async function interruptions(rounds: number, next: () => number): Promise<void> {
  const folder = mkdtempSync(`${tmpdir()}/gale-faults-`)
  let orphans = 0
  for (let round = 0; round < rounds; round++) {
    // A start that was killed outright leaves its database to the next one, which ends it once it comes so far.
    const isClean = left(folder) === 0
    const child = spawnGale(folder)
    await pause(next() * 8000)
    child.kill(next() < 0.5 ? 'SIGTERM' : 'SIGKILL')
    await ended(child)
    if (isClean && child.signalCode !== 'SIGKILL' && !(await until(() => left(folder) === 0, 15))) orphans++
  }
  const { child } = await up(folder)
  child.kill('SIGTERM')
  await ended(child)
  const behind = (await until(() => left(folder) === 0, 15)) ? 0 : left(folder)
  console.log(
    `${rounds} starts interrupted: ${orphans} left something running, ${behind} processes left at the end (aims 0)`,
  )
  rmSync(folder, { recursive: true, force: true })
}

await needPackage('faketime', () => existsSync(FAKETIME))
const [rounds = 20, seed = 1] = process.argv.slice(2).map(Number)
const next = seeded(seed)
await breakings(rounds, next)
await fullDisk(Math.ceil(rounds / 4), next)
await interruptions(rounds, next)
process.exit(0)
