import { execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { expect, test } from '@playwright/test'
import { runningOf, startGale } from './setup/gale'

// A start is interrupted, misled and doubled; whatever happens is said in words, and nothing is left behind.

const newFolder = () => mkdtempSync(`${tmpdir()}/gale-fault-`)

type Ended = { code: number | null; output: string }

/** Runs ./gale with what it takes from its surroundings; ends it when it is up, or after so many milliseconds. */
function gale(
  args: readonly string[],
  env: Record<string, string>,
  { endAfterMs }: { endAfterMs?: number } = {},
): Promise<Ended> {
  const child = spawn('./gale', [...args], {
    env: { ...process.env, DATABASE_URL: '', GALE_PORT: '4380', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let output = ''
  const hear = (chunk: Buffer) => {
    output += chunk.toString()
    if (endAfterMs === undefined && output.includes('Ctrl-C stops it')) child.kill('SIGTERM')
  }
  child.stdout.on('data', hear)
  child.stderr.on('data', hear)
  if (endAfterMs !== undefined) setTimeout(() => child.kill('SIGTERM'), endAfterMs)
  return new Promise((resolve) => child.once('exit', (code) => resolve({ code, output })))
}

/** Processes that work on a folder, by what they were started with. */
const left = (folder: string): string[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .flatMap((pid) => {
      try {
        const line = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ')
        const surroundings = readFileSync(`/proc/${pid}/environ`, 'utf8')
        return line !== '' && (line.includes(folder) || surroundings.includes(`GALE_DATA_DIR=${folder}`)) ? [line] : []
      } catch {
        return []
      }
    })

test('what cannot be used is named, with the way out', async () => {
  const folder = newFolder()
  writeFileSync(`${folder}/a-file`, '')
  const refused: readonly { env: Record<string, string>; args?: string[]; says: RegExp }[] = [
    { env: { GALE_DATA_DIR: `${folder}/a-file` }, says: /cannot be used: it is a file.*GALE_DATA_DIR/ },
    { env: { GALE_DATA_DIR: '/proc/none' }, says: /cannot be used: no folder can be made there/ },
    { env: { GALE_DATA_DIR: folder, DATABASE_URL: 'nonsense' }, says: /DATABASE_URL is no address of a PostgreSQL/ },
    { env: { GALE_DATA_DIR: folder, DATABASE_URL: 'postgres://a:b@127.0.0.1:1/x' }, says: /cannot be reached/ },
    { env: { GALE_DATA_DIR: folder, GALE_PORT: 'eighty' }, says: /GALE_PORT is “eighty”/ },
    { env: { GALE_DATA_DIR: folder }, args: ['start', '--host', '0.0.0.0'], says: /in the clear/ },
    { env: { GALE_DATA_DIR: folder }, args: ['restore', '/nowhere.dump'], says: /There is no file/ },
  ]
  await Promise.all(
    refused.map(async ({ env, args = ['start'], says }) => {
      const { code, output } = await gale(args, env)
      expect(output).toMatch(says)
      expect(output).not.toMatch(/\n\s+at /)
      expect(code).toBe(1)
    }),
  )
  expect(left(folder)).toEqual([])
})

test('told to stop at any moment of its start it leaves nothing behind, and starts again', async () => {
  test.setTimeout(180_000)
  const folder = newFolder()
  for (const endAfterMs of [300, 900, 1500, 2500, 4000, 6000]) {
    const { output } = await gale(['start', '--empty'], { GALE_DATA_DIR: folder }, { endAfterMs })
    expect(output).not.toMatch(/\n\s+at /)
    await expect.poll(() => left(folder), { timeout: 15_000 }).toEqual([])
  }
  // A secret that a full disk or a power cut left empty is made anew, and said.
  writeFileSync(`${folder}/secret`, '')
  const { code, output } = await gale(['start'], { GALE_DATA_DIR: folder })
  expect(output).toMatch(/was empty; a new secret is made/)
  expect(code).toBe(0)
  writeFileSync(`${folder}/secret`, 'short')
  expect((await gale(['start'], { GALE_DATA_DIR: folder })).output).toMatch(/is spoiled: it has 5 characters/)
})

test('of two starts at once on a fresh folder one serves, and the other says so', async () => {
  test.setTimeout(120_000)
  const folder = newFolder()
  const both = await Promise.all([1, 2].map(() => gale(['start', '--empty'], { GALE_DATA_DIR: folder })))
  expect(both.map(({ code }) => code).sort()).toEqual([0, 1])
  expect(both.find(({ code }) => code === 1)?.output).toMatch(/is being started|already runs/)
  expect(left(folder)).toEqual([])
})

test('one that was itself killed leaves a folder that starts again; a backup goes into an empty place only', async () => {
  test.setTimeout(180_000)
  const folder = newFolder()
  const { process: child } = await startGale({ folder, port: '4380' })
  const file = `${folder}.dump`
  expect((await gale(['backup', file], { GALE_DATA_DIR: folder })).output).toMatch(/Everything is in/)
  process.kill(runningOf(folder).gale, 'SIGKILL')
  await expect.poll(() => existsSync(`/proc/${child.pid}`)).toBe(false)
  expect((await gale(['restore', file], { GALE_DATA_DIR: folder })).output).toMatch(/There is something in/)
  const empty = newFolder()
  expect((await gale(['restore', file], { GALE_DATA_DIR: empty })).output).toMatch(
    /with \d+ installations and \d+ seals/,
  )
  const again = await gale(['start'], { GALE_DATA_DIR: empty })
  expect(again.output).toMatch(/Soft Gale is at/)
  expect(again.output).not.toMatch(/loading the demo/)
  execFileSync('./gale', ['stop'], { env: { ...process.env, GALE_DATA_DIR: folder } })
  expect(left(folder)).toEqual([])
})
