import { loadInstallation } from '@/cli/load'
import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { derive } from '@/core/derive/derive'
import { byDanger, outageItems } from '@/core/record/afterOutage'

const USAGE = 'gale outage FILE…'

const BOX = { know: '  ', look: '[ ] look: ', enter: '[ ] enter: ' } as const

/** What to do when the power has been away, for each installation of a site, the gravest first. One that cannot be read is said, and the others stand. */
export function outage(args: readonly string[], streams: Streams): number {
  const { positionals } = parseCommandLine(args, {}, USAGE)
  if (positionals.length === 0) throw new UsageError(`Name one installation file or more.\nUsage: ${USAGE}`)
  const loaded = positionals.map((file) => loadInstallation(file, streams))
  const there = loaded.filter((one) => one !== null).sort((a, b) => byDanger(a.brief.duty, b.brief.duty))
  for (const installation of there) {
    streams.out(installation.name)
    for (const { kind, text } of outageItems(installation, derive(installation))) streams.out(`${BOX[kind]}${text}`)
    streams.out('')
  }
  return there.length === loaded.length ? 0 : 1
}
