import { createServer } from 'node:net'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { needPackage } from './debian'
import { dataFolder, isOurs, readRunning, writeRunning } from './place'
import { freePort, isRunning, needDisk, output, until } from './run'
import { Trouble } from './trouble'

test('a port that is taken is passed over', async () => {
  const server = createServer()
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve()))
  const address = server.address()
  const taken = typeof address === 'object' && address ? address.port : 0
  expect(await freePort(taken)).toBeGreaterThan(taken)
  await new Promise((resolve) => server.close(resolve))
})

test('a full disk is told before anything is begun', () => {
  expect(() => needDisk(tmpdir(), 1e9)).toThrow(
    /has \d+ MB left; at least 1000000000 MB are needed\. Make room and run this again\. Nothing was changed\./,
  )
  expect(() => needDisk(tmpdir(), 0)).not.toThrow()
})

test('a program that fails says why in its own words', () =>
  expect(() => output('ls', ['/nowhere-at-all'])).toThrow(Trouble))

test('what is there already is not installed', async () => {
  await expect(needPackage('postgresql', () => true)).resolves.toBeUndefined()
})

test('waiting ends when it is so, or when the time is up', async () => {
  let looks = 0
  expect(await until(() => ++looks === 2, 5)).toBe(true)
  expect(await until(() => false, 0.2)).toBe(false)
})

test('a process number that now belongs to something else is not taken for ours', () => {
  expect(isRunning(process.pid)).toBe(true)
  expect(isOurs('gale', process.pid)).toBe(false)
  expect(isOurs('web', null)).toBe(false)
})

test('the note of what runs is read back; a spoiled one is none', () => {
  process.env.GALE_DATA_DIR = mkdtempSync(`${tmpdir()}/gale-place-`)
  expect(readRunning()).toBeNull()
  writeRunning({ gale: 1, postgres: 2, web: 3, importer: null, url: 'http://127.0.0.1:4180', database: null })
  expect(readRunning()).toEqual({
    gale: 1,
    postgres: 2,
    web: 3,
    importer: null,
    url: 'http://127.0.0.1:4180',
    database: null,
  })
  writeFileSync(`${dataFolder()}/running.json`, '{"gale":')
  expect(readRunning()).toBeNull()
  delete process.env.GALE_DATA_DIR
})

test('the docs show the rooms of the core as the import rules have them', () => {
  const rooms = JSON.parse(readFileSync('src/core/rooms.json', 'utf8')) as { room: string; holds: string }[]
  const shown = [...readFileSync('docs/how-it-works.md', 'utf8').matchAll(/^\| `(\w+)` \| (.*) \|$/gm)]
  expect(shown.map(([, room, holds]) => ({ room, holds }))).toEqual(rooms)
  expect(
    readdirSync('src/core', { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? entry.name : [])),
  ).toEqual(rooms.map(({ room }) => room).sort())
})
