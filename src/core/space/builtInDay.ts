import type { Brief } from '@/core/brief/schema'
import { roleOf } from '@/core/duty/role'
import { quietInputs } from '@/core/machine/quietInputs'
import type { Response } from '@/core/response/schema'
import { datesOf } from '@/core/response/dates'
import { isMeasured, type Input, type MeasuredInput } from '@/core/rules/input'
import { ruleInputId } from '@/core/rules/table'
import type { Series } from '@/core/space/series'

const STEP_S = 60
const STEPS = (24 * 3600) / STEP_S
/** A warm day outside, °C and %RH; common practice, no source. */
const OUTSIDE = { temperature: [14, 27], humidity: [45, 85] } as const
/** The air around a controller in its box, °C: nobody heats it to see what it does. */
const BODY_C = 28

type Where = { readonly brief: Brief; readonly response: Response }
type At = (hour: number) => number

const clipped = ({ from, to }: MeasuredInput, x: number): number => Math.min(to, Math.max(from, x))

/** From `low` at 5 in the morning (humidity in the afternoon) to `high` half a day later. */
function swing(input: MeasuredInput, low: number, high: number): At {
  const warmestHour = input.kind === 'humidity' ? 4 : 15
  const [middle, half] = [(low + high) / 2, (high - low) / 2]
  return (hour) => {
    const x = middle + half * Math.cos(((hour - warmestHour) / 24) * 2 * Math.PI)
    return input.kind === 'humidity' ? Math.min(100, Math.max(0, x)) : x
  }
}

/** Inputs that are made of this one, and itself. */
const standsFor = ({ inputs }: Response, id: string): string[] => [
  id,
  ...inputs.flatMap((input) => (isMeasured(input) && input.combines?.of.includes(id) ? [input.id] : [])),
]

/** What people and weather bring to a space over a warm day: a little past the limit (or the end of the ramp) for an hour or two. */
function warmDay(input: MeasuredInput, { brief, response }: Where): At {
  const target = brief.targets.find(({ quantity }) => quantity === input.kind)
  const named = standsFor(response, input.id)
  const ramp = response.rules.find((rule) => 'fullAt' in rule && named.includes(ruleInputId(rule) ?? ''))
  const ends = ramp && 'fullAt' in ramp ? [ramp.startAt, ramp.fullAt].sort((a, b) => a - b) : [input.from, input.to]
  const low = target?.bandFrom ?? ends[0]!
  const high = Math.max(target?.limitAbove ?? -Infinity, ends[1]!)
  const over = ((high - low) / 2) * 0.08
  return swing(input, low - over, high + over)
}

/** A visit in the morning, a short one at noon. */
const visits: At = (hour) => ((hour >= 9 && hour < 9 + 40 / 60) || (hour >= 13 && hour < 13 + 5 / 60) ? 1 : 0)

/** Only what people and weather move is moved: no isolator, no safety stop, no heat of the controller itself. */
function overTheDay(input: Input, where: Where): At {
  const role = roleOf(input, where)
  const still = quietInputs(where.response)[input.id] ?? 0
  if (!isMeasured(input)) return role === 'request' || role === 'door' ? visits : () => 0
  if (role === 'light') return (hour) => (hour >= 7 && hour < 19 ? input.to : 0)
  if (role === 'body') {
    const limitC = where.response.overrides?.overheat?.onAt ?? Infinity
    return () => Math.min(limitC - 15, clipped(input, BODY_C))
  }
  if (role === 'outdoor' || role === 'supply') {
    const [low, high] = OUTSIDE[input.kind === 'humidity' ? 'humidity' : 'temperature']
    return swing(input, clipped(input, low), clipped(input, high))
  }
  return input.kind === 'pressure' ? () => still : warmDay(input, where)
}

/** A made-up warm day for an installation, minute by minute from midnight of a Tuesday. An illustration, not a forecast. */
export function builtInDay(where: Where): Series {
  const atS = Float64Array.from({ length: STEPS + 1 }, (_, index) => index * STEP_S)
  const read = where.response.inputs.filter((input) => !(isMeasured(input) && input.combines))
  return {
    atS,
    inputs: [...read.map(({ id }) => id), 'clock', 'date'],
    values: [
      ...read.map((input) => {
        const at = overTheDay(input, where)
        return atS.map((s) => at((s / 3600) % 24))
      }),
      atS.map((s) => 86400 + s),
      atS.map((s) => (datesOf(where.response)[0] ?? NaN) + s / 86400),
    ],
  }
}
