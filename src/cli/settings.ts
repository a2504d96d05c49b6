import Papa from 'papaparse'
import { loadInstallation } from '@/cli/load'
import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { SETTING_HEADS, settingsTable } from '@/core/record/settingsTable'

const USAGE = 'gale settings FILE [--csv]'

/** Every setting of the chosen controller: what it is for, as found, wanted, and what to do with it. */
export function settings(args: readonly string[], streams: Streams): number {
  const { positionals, values } = parseCommandLine(args, { csv: { type: 'boolean' } }, USAGE)
  const [file] = positionals
  if (file === undefined || positionals.length > 1) throw new UsageError(`Name one installation file.\nUsage: ${USAGE}`)
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  const rows = settingsTable(installation)
  if (!rows) {
    streams.err(`${file}: kit.controller: no controller is chosen, so it has no settings.`)
    return 1
  }
  if (values.csv) streams.out(Papa.unparse([[...SETTING_HEADS], ...rows]))
  else
    for (const [name, purpose, where, found, wanted, makers, task, why] of rows) {
      streams.out(`${name} (${where}): ${purpose}`)
      streams.out(`  found ${found || '–'}, wanted ${wanted || '–'}, maker’s ${makers}. ${task}. ${why}`)
    }
  return 0
}
