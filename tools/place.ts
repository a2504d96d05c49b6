import { homedir } from 'node:os'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { isRunning } from './run'

/** Where the data lies: outside the work tree, kept between starts. */
export const dataFolder = (): string =>
  process.env.GALE_DATA_DIR ??
  (process.getuid?.() === 0
    ? '/var/lib/soft-gale'
    : `${process.env.XDG_DATA_HOME ?? `${homedir()}/.local/share`}/soft-gale`)

/** What is running from this data folder. */
export type Running = {
  readonly gale: number
  readonly postgres: number | null
  readonly web: number | null
  readonly importer: number | null
  readonly url: string
}

const file = () => `${dataFolder()}/running.json`

export const writeRunning = (running: Running): void => writeFileSync(file(), JSON.stringify(running))
export const clearRunning = (): void => rmSync(file(), { force: true })

/** The last start's note, whether or not it still runs; null when there is none. */
export function readRunning(): Running | null {
  if (!existsSync(file())) return null
  try {
    return JSON.parse(readFileSync(file(), 'utf8')) as Running
  } catch {
    return null
  }
}

const WORDS = { gale: 'tools/gale.ts', postgres: 'postgres', web: 'next' }

/** Whether the process of that role is really ours: process numbers are used again. */
export function isOurs(role: keyof typeof WORDS, pid: number | null): boolean {
  if (pid === null || !isRunning(pid)) return false
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(WORDS[role])
  } catch {
    return false
  }
}
