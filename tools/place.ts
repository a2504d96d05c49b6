import { homedir } from 'node:os'
import { accessSync, constants, existsSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { isRunning } from './run'
import { Trouble } from './trouble'

/** Where the data lies: outside the work tree, kept between starts. */
export const dataFolder = (): string =>
  (process.env.GALE_DATA_DIR ? resolve(process.env.GALE_CALLED_FROM ?? '.', process.env.GALE_DATA_DIR) : undefined) ??
  (process.getuid?.() === 0
    ? '/var/lib/soft-gale'
    : `${process.env.XDG_DATA_HOME ?? `${homedir()}/.local/share`}/soft-gale`)

/** Makes a folder and those it lies in. Not by `recursive`: where the kernel takes no folders, as under /proc, that never ends. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) return
  makeFolder(dirname(folder))
  mkdirSync(folder)
}

/** Makes sure that the data folder is a folder we may write into. */
export function ensureFolder(folder: string): void {
  try {
    makeFolder(folder)
    if (!statSync(folder).isDirectory()) throw new Error('it is a file')
    accessSync(folder, constants.R_OK | constants.W_OK | constants.X_OK)
  } catch (error) {
    const { code = '' } = error as NodeJS.ErrnoException
    const why =
      {
        EEXIST: 'it is a file',
        ENOTDIR: 'a part of it is a file',
        EACCES: 'it may not be written',
        EROFS: 'it may only be read',
        ENOSPC: 'the disk is full',
        ENAMETOOLONG: 'it is too long',
        ENOENT: 'no folder can be made there',
      }[code] ?? (error instanceof Error ? error.message : String(error))
    throw new Trouble(
      `The data folder ${folder} cannot be used: ${why}. Name another in GALE_DATA_DIR, or give this one to the user who starts Soft Gale. Nothing was changed.`,
    )
  }
}

/** What is running from this data folder. */
export type Running = {
  readonly gale: number
  readonly postgres: number | null
  readonly web: number | null
  readonly importer: number | null
  readonly url: string
  /** The address of the private database, with its password; null where the database is not ours to run. The note is for our user only. */
  readonly database: string | null
}

const file = () => `${dataFolder()}/running.json`

export const writeRunning = (running: Running): void => writeFileSync(file(), JSON.stringify(running), { mode: 0o600 })
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

const WORDS = { gale: 'tools/gale.ts', postgres: 'postgres', web: 'gale/serve.mjs' }

/** Whether the process of that role is really ours: process numbers are used again. */
export function isOurs(role: keyof typeof WORDS, pid: number | null): boolean {
  if (pid === null || !isRunning(pid)) return false
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(WORDS[role])
  } catch {
    return false
  }
}
