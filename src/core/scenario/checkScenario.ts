import type { Problem } from '@/core/json/problem'
import { twice } from '@/core/json/twice'
import type { Line, Scenario } from '@/core/scenario/schema'
import { DRIVE_RANGES } from '@/core/space/model'

const DAY_S = 86400
/** Longest stretch without a point that a measured line may have, s: beyond it nobody knows what the weather was. */
const LONGEST_GAP_S = 6 * 3600
/** A line with more points than a hand would draw is taken for measured. */
const MEASURED_POINTS = 20

function checkLine({ drive, points, daily }: Line, path: string, lastS: number): Problem[] {
  const { name, unit, from, to } = DRIVE_RANGES[drive]
  const isMeasured = !daily && points.length >= MEASURED_POINTS
  return points.flatMap(({ atS, value }, index): Problem[] => {
    const at = `${path}.points.${index}`
    const before = points[index - 1]
    if (before && atS <= before.atS)
      return [
        {
          code: 'order',
          path: `${at}.atS`,
          low: 'The time of the point before',
          lowValue: before.atS,
          high: 'the time of this one',
          highValue: atS,
          unit: 's',
        },
      ]
    if (value < from || value > to)
      return [{ code: 'out_of_range', path: `${at}.value`, what: name, got: value, min: from, max: to, unit }]
    if (isMeasured && before && atS - before.atS > LONGEST_GAP_S)
      return [{ code: 'weather_gap', path: `${at}.atS`, what: name, fromS: before.atS, toS: atS }]
    if (isMeasured && index === points.length - 1 && atS < lastS - LONGEST_GAP_S)
      return [{ code: 'weather_gap', path: `${at}.atS`, what: name, fromS: atS, toS: lastS }]
    if (daily && atS >= DAY_S) return [{ code: 'event_after_end', path: `${at}.atS`, atS, endS: DAY_S }]
    return []
  })
}

/** What is wrong with a scenario by itself. */
export function checkScenario({ lines, events, days }: Scenario): Problem[] {
  const endS = days * DAY_S
  return [
    ...twice(
      'lines',
      'drive',
      'lines',
      lines.map(({ drive }) => drive),
    ),
    ...lines.flatMap((line, index) => checkLine(line, `lines.${index}`, endS)),
    ...events.flatMap((event, index): Problem[] => {
      const at = `events.${index}`
      if (event.atS >= endS) return [{ code: 'event_after_end', path: `${at}.atS`, atS: event.atS, endS }]
      if (event.kind === 'drive') {
        const { name, unit, from, to } = DRIVE_RANGES[event.drive]
        if (event.value < from || event.value > to)
          return [{ code: 'out_of_range', path: `${at}.value`, what: name, got: event.value, min: from, max: to, unit }]
      }
      return []
    }),
  ]
}

type Known = { readonly inputs: readonly string[]; readonly fans: readonly string[] }

/** What it names of an installation and is not there. */
export const checkScenarioHere = ({ events }: Scenario, { inputs, fans }: Known): Problem[] =>
  events.flatMap((event, index): Problem[] => {
    if ((event.kind === 'contact' || event.kind === 'probe') && !inputs.includes(event.input))
      return [{ code: 'unknown_id', path: `events.${index}.input`, what: 'input', got: event.input, known: inputs }]
    if (event.kind === 'fan' && !fans.includes(event.fan))
      return [{ code: 'unknown_id', path: `events.${index}.fan`, what: 'fan', got: event.fan, known: fans }]
    return []
  })
