import { UsageError } from '@/cli/streams'
import {
  CUSTOMARY,
  FLOW_CHOICES,
  METRIC,
  TEMPERATURE_CHOICES,
  UNIT_CHOICES,
  type UnitPreference,
} from '@/core/quantity/format'

const SYSTEMS: Readonly<Record<string, UnitPreference>> = { metric: METRIC, us: CUSTOMARY }

const KNOWN = [
  Object.keys(SYSTEMS).join(' or '),
  TEMPERATURE_CHOICES.join(' or '),
  FLOW_CHOICES.join(', '),
  ...Object.entries(UNIT_CHOICES).map(([kind, choices]) => `${kind}=${choices.join(' or ')}`),
].join('; ')

/** What one part of `--units` adds to a preference; null where it is none. */
function withPart(preference: UnitPreference, part: string): UnitPreference | null {
  const temperature = TEMPERATURE_CHOICES.find((unit) => unit === part)
  const flow = FLOW_CHOICES.find((unit) => unit === part)
  if (SYSTEMS[part]) return SYSTEMS[part]
  if (temperature) return { ...preference, temperature }
  if (flow) return { ...preference, flow }
  const [kind = '', symbol = ''] = part.split('=')
  const choices: readonly string[] | undefined = Object.entries(UNIT_CHOICES).find(([name]) => name === kind)?.[1]
  return choices?.includes(symbol) ? { ...preference, units: { ...preference.units, [kind]: symbol } } : null
}

/** The units of `--units`: a system, then units that differ from it: `us`, `F,cfm`, `us,length=ft`.
 *  @throws UsageError for what is no unit */
export function unitsOf(text: string | undefined): UnitPreference {
  let preference: UnitPreference = METRIC
  for (const part of text === undefined ? [] : text.split(',')) {
    const next = withPart(preference, part.trim())
    if (!next) throw new UsageError(`--units does not know “${part}”. It takes, with commas between: ${KNOWN}.`)
    preference = next
  }
  return preference
}
