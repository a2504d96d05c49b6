import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'

export type Gale = {
  readonly url: string
  readonly folder: string
  readonly process: ChildProcess
  /** What it has said so far. */
  readonly output: () => string
  readonly stop: () => Promise<void>
}

// A worker's own range: while a killed one comes back nobody else takes its port.
const OWN_PORT = String(4300 + 20 * Number(process.env.TEST_PARALLEL_INDEX ?? 0))

/** Starts Soft Gale as a person does, on a data folder of its own, and waits for the address it prints. */
export async function startGale({
  folder = mkdtempSync(`${tmpdir()}/gale-e2e-`),
  args = [] as string[],
  port = OWN_PORT,
} = {}): Promise<Gale> {
  const child = spawn('./gale', ['start', ...args], {
    env: { ...process.env, GALE_DATA_DIR: folder, GALE_PORT: port, DATABASE_URL: '' },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let output = ''
  const url = await new Promise<string>((resolve, reject) => {
    const hear = (chunk: Buffer) => {
      output += chunk.toString()
      const found = /Soft Gale is at (\S+)/.exec(output)
      if (found?.[1] && output.includes('Ctrl-C stops it')) resolve(found[1])
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.once('exit', (code) => reject(new Error(`./gale start ended with ${code}: ${output}`)))
  })
  const stop = () =>
    new Promise<void>((resolve) => {
      if (child.exitCode !== null) resolve()
      child.once('exit', () => resolve())
      child.kill('SIGINT')
    })
  return { url, folder, process: child, output: () => output, stop }
}

type Processes = { gale: number; postgres: number; web: number; importer: number }

/** Processes of a running Soft Gale, from its own note. */
export const runningOf = (folder: string): Processes =>
  JSON.parse(readFileSync(`${folder}/running.json`, 'utf8')) as Processes
