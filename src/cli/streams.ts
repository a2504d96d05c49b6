import { readFileSync } from 'node:fs'
import { parseArgs, type ParseArgsConfig } from 'node:util'

export type Streams = { readonly out: (line: string) => void; readonly err: (line: string) => void }

/** The command was called in a way it does not understand: exit status 2. */
export class UsageError extends Error {}

/** The text of a file; one that cannot be read is a matter of usage. */
export function readText(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch (error) {
    throw new UsageError(`Cannot read ${file}: ${error instanceof Error ? error.message : String(error)}`)
  }
}

/** Options and files of a command line; an unknown option is a matter of usage. */
export function parseCommandLine<const T extends NonNullable<ParseArgsConfig['options']>>(
  args: readonly string[],
  options: T,
  usage: string,
): ReturnType<typeof parseArgs<{ args: string[]; options: T; allowPositionals: true; strict: true }>> {
  try {
    return parseArgs<{ args: string[]; options: T; allowPositionals: true; strict: true }>({
      args: [...args],
      options,
      allowPositionals: true,
      strict: true,
    })
  } catch (error) {
    throw new UsageError(`${error instanceof Error ? error.message : String(error)}\nUsage: ${usage}`)
  }
}
