import { parseCommandLine, readText, UsageError, type Streams } from '@/cli/streams'
import { unitsOf } from '@/cli/units'
import { judgeInstallation } from '@/core/advise/judge'
import { judgementText } from '@/core/advise/words'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { INSTALLATION_SCHEMA } from '@/core/installation/installation'
import { readDocument } from '@/core/installation/read'
import { parseJson } from '@/core/json/parseJson'
import { SEVERITY_NAMES } from '@/core/json/severity'
import type { UnitPreference } from '@/core/quantity/format'
import { problemLine } from '@/core/words/problems'

const USAGE = 'gale check FILE… [--judge] [--units us]'

function judged(file: string, installation: Installation, preference: UnitPreference, { out }: Streams): void {
  for (const judgement of judgeInstallation(
    installation,
    derive(installation),
    null,
    new Date().toISOString().slice(0, 10),
  )) {
    const { title, detail } = judgementText(judgement, preference)
    out(`${file}: ${SEVERITY_NAMES[judgement.severity]}: ${judgement.path}: ${title} ${detail}`)
  }
}

/** Validates documents of any kind: all errors with paths and plain words. `--judge` adds what a colleague would say. */
export function check(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    { judge: { type: 'boolean' }, units: { type: 'string' } },
    USAGE,
  )
  if (positionals.length === 0) throw new UsageError(`Name at least one file.\nUsage: ${USAGE}`)
  const preference = unitsOf(values.units)
  let wrong = 0
  for (const file of positionals) {
    const data = parseJson(readText(file))
    const outcome = data.ok ? readDocument(data.value) : data
    if (outcome.ok) {
      streams.out(`${file}: good (${outcome.value.name})`)
      if (values.judge && outcome.value.name === INSTALLATION_SCHEMA)
        judged(file, outcome.value.document as Installation, preference, streams)
    } else {
      wrong++
      for (const problem of outcome.problems) streams.err(`${file}: ${problemLine(problem)}`)
    }
  }
  return wrong > 0 ? 1 : 0
}
