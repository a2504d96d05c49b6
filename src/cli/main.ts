import { card } from '@/cli/card'
import { check } from '@/cli/check'
import { evaluate } from '@/cli/evaluate'
import { fitCommand } from '@/cli/fit'
import { learnCommand } from '@/cli/learn'
import { outage } from '@/cli/outage'
import { points } from '@/cli/points'
import { rehearse } from '@/cli/rehearse'
import { search } from '@/cli/search'
import { settings } from '@/cli/settings'
import { sums } from '@/cli/sums'
import { UsageError, type Streams } from '@/cli/streams'

const COMMANDS: Readonly<Record<string, (args: readonly string[], streams: Streams) => number>> = {
  check,
  evaluate,
  fit: fitCommand,
  card,
  rehearse,
  search,
  learn: learnCommand,
  points,
  sums,
  settings,
  outage,
}

/** Runs one command of the core. Results go to `out`, messages to `err`. Returns 0, 1 (the document is wrong) or 2 (wrong usage). */
export function runCommand([name = '', ...args]: readonly string[], streams: Streams): number {
  const command = COMMANDS[name]
  if (!command) {
    streams.err(`There is no command “${name}”. Known: ${Object.keys(COMMANDS).join(', ')}.`)
    return 2
  }
  try {
    return command(args, streams)
  } catch (error) {
    if (!(error instanceof UsageError)) throw error
    streams.err(error.message)
    return 2
  }
}
