import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { formatNumber } from '@/core/quantity/format'
import { parseQuantity } from '@/core/quantity/parse'
import {
  asConvention,
  CONVENTION_IDS,
  CONVENTIONS,
  pointsFrom,
  pointsSentence,
  RAMP_GIVEN_BY,
  rampFrom,
  type Convention,
  type RampGivenBy,
  type Action,
} from '@/core/response/conventions'
import { problemText } from '@/core/words/problems'

const USAGE = `gale points --set TEMPERATURE --width DIFFERENCE (--as ${CONVENTION_IDS.join('|')} [--action direct|reverse] | --ramp ${RAMP_GIVEN_BY.join('|')} [--falls]) [--json]`

function oneOf<T extends string>(option: string, typed: string, known: readonly T[]): T {
  const found = known.find((candidate) => candidate === typed)
  if (found === undefined) throw new UsageError(`--${option} ${typed}: known are ${known.join(', ')}.\nUsage: ${USAGE}`)
  return found
}

function quantity(option: string, typed: string | undefined, kind: 'temperature' | 'temperatureDifference'): number {
  if (typed === undefined) throw new UsageError(`--${option} is missing.\nUsage: ${USAGE}`)
  const read = parseQuantity(typed, kind)
  if (!read.ok) throw new UsageError(`--${option} ${typed}: ${read.problems.map(problemText).join(' ')}`)
  return read.value
}

const hasUnit = (typed: string): boolean => /[a-z°]/i.test(typed)
const isFahrenheit = (typed: string): boolean => /f/i.test(typed)

const both = (tempC: number): string => `${formatNumber(tempC, 1)} °C (${formatNumber(tempC * 1.8 + 32, 1)} °F)`
const bothDifferences = (k: number): string => `${formatNumber(k, 2)} K (${formatNumber(k * 1.8, 2)} F°)`

function sayRamp(givenBy: RampGivenBy, setC: number, widthK: number, falls: boolean, { out }: Streams, json: boolean) {
  if (!(widthK > 0)) throw new UsageError('--width: a ramp needs a band above 0; use --as for on and off at one point.')
  const { startAt, fullAt } = rampFrom(givenBy, setC, widthK, falls)
  if (json) return out(JSON.stringify({ startAt, fullAt }))
  out(`Starts at ${both(startAt)}, full at ${both(fullAt)}: a band of ${bothDifferences(widthK)}.`)
}

function sayDifferential(
  convention: Convention,
  action: Action,
  setC: number,
  widthK: number,
  { out }: Streams,
  json: boolean,
) {
  const points = pointsFrom(convention, action, setC, widthK)
  const others = CONVENTION_IDS.map((id) => ({ convention: id, ...asConvention(id, action, points) }))
  if (json)
    return out(JSON.stringify({ ...points, action, sentence: pointsSentence(action, points), conventions: others }))
  out(pointsSentence(action, points))
  for (const { convention: id, setPoint, differential } of others)
    out(`${CONVENTIONS[id].name}: set point ${both(setPoint)}, differential ${bothDifferences(differential)}`)
}

/** What a leaflet’s set point and differential mean in points, and how every other convention would say the same. */
export function points(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    {
      set: { type: 'string' },
      width: { type: 'string' },
      as: { type: 'string' },
      action: { type: 'string' },
      ramp: { type: 'string' },
      falls: { type: 'boolean' },
      json: { type: 'boolean' },
    },
    USAGE,
  )
  if (positionals.length > 0) throw new UsageError(`“${positionals[0]}” is not understood.\nUsage: ${USAGE}`)
  const setC = quantity('set', values.set, 'temperature')
  const widthK = quantity('width', values.width, 'temperatureDifference')
  if (isFahrenheit(values.set ?? '') && !hasUnit(values.width ?? ''))
    throw new UsageError(
      `--width ${values.width}: beside a set point in °F say which it is, ${values.width}K or ${values.width}F.`,
    )
  if (widthK < 0) throw new UsageError(`--width ${values.width}: a differential cannot be negative.`)
  if ((values.as === undefined) === (values.ramp === undefined))
    throw new UsageError(`Say one of --as and --ramp.\nUsage: ${USAGE}`)
  if (values.ramp !== undefined)
    sayRamp(
      oneOf('ramp', values.ramp, RAMP_GIVEN_BY),
      setC,
      widthK,
      values.falls ?? false,
      streams,
      values.json ?? false,
    )
  else
    sayDifferential(
      oneOf('as', values.as!, CONVENTION_IDS),
      oneOf('action', values.action ?? 'direct', ['direct', 'reverse']),
      setC,
      widthK,
      streams,
      values.json ?? false,
    )
  return 0
}
