import type { Brief } from '@/core/brief/schema'
import type { MeasuredInput, Response } from '@/core/response/schema'
import type { Series } from '@/core/space/series'

const STEP_S = 60
const STEPS = (24 * 3600) / STEP_S

/** A warm day swings from the low end of the band at 5 o'clock to a little past the limit (or the ramp) at 15 o'clock. */
function dayCurve(input: MeasuredInput, brief: Brief, response: Response): (hour: number) => number {
  const target = brief.targets.find(({ quantity }) => quantity === input.kind)
  const ramp = response.rules.find((rule) => rule.kind === 'ramp' && rule.input === input.id)
  const ends = ramp?.kind === 'ramp' ? [ramp.startAt, ramp.fullAt].sort((a, b) => a - b) : [input.from, input.to]
  const low = target?.bandFrom ?? ends[0]!
  const high = Math.max(target?.limitAbove ?? -Infinity, ends[1]!)
  const middle = (low + high) / 2
  // A little over half the distance, so that the top passes the limit for an hour or two.
  const swing = ((high - low) / 2) * 1.08
  const warmestHour = input.kind === 'humidity' ? 4 : 15
  return (hour) => {
    const x = middle + swing * Math.cos(((hour - warmestHour) / 24) * 2 * Math.PI)
    return input.kind === 'humidity' ? Math.min(100, Math.max(0, x)) : x
  }
}

/** A made-up warm day for an installation, minute by minute from midnight: every measured input swings, every switch is on
 *  from 9:00 to 9:40 and 13:00 to 13:05. An illustration, not a forecast. */
export function builtInDay({ brief, response }: { brief: Brief; response: Response }): Series {
  const atS = Float64Array.from({ length: STEPS + 1 }, (_, index) => index * STEP_S)
  const values = response.inputs.map((input) => {
    if (input.kind === 'switch') return atS.map((s) => ((s >= 32400 && s < 34800) || (s >= 46800 && s < 47100) ? 1 : 0))
    const at = dayCurve(input, brief, response)
    return atS.map((s) => at(s / 3600))
  })
  // It is a Tuesday.
  return {
    atS,
    inputs: [...response.inputs.map(({ id }) => id), 'clock'],
    values: [...values, atS.map((s) => 86400 + s)],
  }
}
