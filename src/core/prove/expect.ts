import type { CheckOf } from '@/core/prove/check'
import { leavesOf, measuredOf, terminals, type ProveContext } from '@/core/prove/context'
import { awayFromCycles, inPauses, playStages } from '@/core/prove/play'
import type { StepReading } from '@/core/prove/reading'
import type { Stage, Values } from '@/core/prove/stage'
import { inputHalf, inputParts, meterParts, together } from '@/core/prove/uncertainty'
import { formatQuantity } from '@/core/quantity/format'
import { differenceOf } from '@/core/quantity/units'
import { inputQuantity, isMeasured } from '@/core/rules/input'

/** A share of the tolerance, in points of speed. */
type TolerancePart = { readonly what: string; readonly halfPct: number }

export type SpeedExpectation = {
  readonly fan: string
  readonly expectPct: number
  /** Band the reading may lie in. */
  readonly lowPct: number
  readonly highPct: number
  readonly parts: readonly TolerancePart[]
  /** What it gives within the error of the probe or from pause to pause, where it does not stand still there. */
  readonly jump: { readonly lowPct: number; readonly highPct: number } | null
  /** So wide that a reading inside it proves little. */
  readonly isWide: boolean
}

/** Beyond this to either side (points) a reading inside the band no longer tells a right setting from a wrong one; common practice, no source. */
export const WIDE_PCT = 12
const SAMPLES = [-1, -0.75, -0.5, -0.25, 0, 0.25, 0.5, 0.75, 1] as const
const HERE = SAMPLES.indexOf(0)
/** Where it jumps it is looked at more finely, and what may lie between two of these counts too (points). */
const BETWEEN_PCT = 1
const FINE = Array.from({ length: 41 }, (_, index) => index / 20 - 1)
const NEAR = 1e-9

/** The stages of a check up to a step, with what was really read in the place of what was asked for. */
function stagesRead(check: CheckOf<'speed'>, readings: readonly (StepReading | undefined)[], step: number): Stage[] {
  const last = check.steps[step]!.stage
  return check.stages.slice(0, last + 1).map((stage, index) => {
    const at = check.steps.findIndex((candidate) => candidate.stage === index)
    const read = at < 0 ? undefined : readings[at]
    return read ? { ...stage, values: { ...stage.values, ...read.inputs } } : stage
  })
}

/** Stages in which some readings are off by the same all the time. */
export const shifted = (stages: readonly Stage[], ids: readonly string[], by: number): Stage[] =>
  stages.map((stage) => ({
    ...stage,
    values: {
      ...stage.values,
      ...Object.fromEntries(ids.flatMap((id) => (stage.values[id] === undefined ? [] : [[id, stage.values[id] + by]]))),
    },
  }))

function after({ machine, offsets }: ProveContext, stages: readonly Stage[]) {
  const toInputs = (values: Values) => terminals({ machine, offsets }, values)
  const played = playStages(machine, stages, toInputs)
  const inputs = toInputs(stages.at(-1)?.values ?? {})
  return { state: awayFromCycles(machine, played, inputs), inputs }
}

/** What every fan gives after these stages, a cycle in its pause. */
export const fansAfter = (context: ProveContext, stages: readonly Stage[]): Float64Array =>
  after(context, stages).state.fansPct

/** Whether a row of speeds rises or falls evenly, in the steps of the output; where it jumps, a slope says nothing. */
function isEven(values: readonly number[], stepPct: number): boolean {
  const steps = values.slice(1).map((value, index) => Math.abs(value - values[index]!))
  const mean = steps.reduce((sum, step) => sum + step, 0) / steps.length
  return Math.max(...steps) <= 2 * mean + Math.max(0.25, stepPct)
}

/** What moves together when a reading is off: the probes that are read as one, and each other probe alone. */
function togetherRead(context: ProveContext, reads: readonly string[]): string[][] {
  const groups = context.response.inputs.flatMap((input) => {
    if (!isMeasured(input) || !input.combines || input.combines.how === 'difference') return []
    const leaves = leavesOf(context, input.id).map(({ id }) => id)
    return leaves.length > 0 && leaves.every((leaf) => reads.includes(leaf)) ? [leaves] : []
  })
  return [...groups, ...reads.filter((id) => !groups.some((group) => group.includes(id))).map((id) => [id])]
}

/** What each fan should give at a step, at the moment that was really read, and how far a reading may lie off it: every probe within its
 *  error, its step and that of the reference, propagated through the slope of the response there, and the meter. Where the response jumps
 *  within that, everything it gives there may be read. */
export function expectStep(
  context: ProveContext,
  check: CheckOf<'speed'>,
  step: number,
  readings: readonly (StepReading | undefined)[] = [],
): SpeedExpectation[] {
  const { installation, machine, preference, response } = context
  const stages = stagesRead(check, readings, step)
  const { state, inputs } = after(context, stages)
  const here = state.fansPct
  const moves = inPauses(machine, state, inputs)
  const values = stages.at(-1)?.values ?? {}
  const looks = togetherRead(context, check.steps[step]!.reads).flatMap((ids) => {
    const [id = ''] = ids
    const input = measuredOf(context, id)
    const x = values[id]
    if (!input || x === undefined || Number.isNaN(x)) return []
    const half = inputHalf(installation, input, x)
    if (!(half > 0)) return []
    const at = (share: number) => (share === 0 ? here : fansAfter(context, shifted(stages, ids, share * half)))
    const rows = SAMPLES.map(at)
    const jumps = machine.fanIds.some(
      (_fan, index) =>
        !isEven(
          rows.map((row) => row[index]!),
          response.steps.stepPct,
        ),
    )
    return [{ input, half, rows, fine: jumps ? FINE.map(at) : rows, parts: inputParts(installation, input, x) }]
  })
  return machine.fanIds.map((fan, index) => {
    const parts: TolerancePart[] = []
    let [jumpLow, jumpHigh] = [moves?.lowPct[index] ?? here[index]!, moves?.highPct[index] ?? here[index]!]
    for (const { input, half, rows, fine, parts: ofInput } of looks) {
      const gives = rows.map((row) => row[index]!)
      if (isEven(gives, response.steps.stepPct)) {
        const slope = Math.max(Math.abs(gives.at(-1)! - gives[HERE]!), Math.abs(gives[0]! - gives[HERE]!)) / half
        for (const part of ofInput) {
          const q = differenceOf(inputQuantity(input))
          const halfPct = slope * part.half
          if (halfPct > 0.05)
            parts.push({ what: `${part.what} ± ${formatQuantity(part.half, q, preference, 2)}`, halfPct })
        }
      } else {
        const all = fine.map((row) => row[index]!)
        jumpLow = Math.min(jumpLow, ...all) - BETWEEN_PCT
        jumpHigh = Math.max(jumpHigh, ...all) + BETWEEN_PCT
      }
    }
    // Both what is expected and what is read stand on a step.
    if (parts.length > 0 && response.steps.stepPct > 0)
      parts.push({ what: 'step of the output', halfPct: response.steps.stepPct })
    const expectPct = here[index]!
    const inVolts = readings[step]?.fansV?.[fan] !== undefined
    const meterOnly = meterParts(installation, fan, expectPct, inVolts)
    const meter = together(meterOnly.map(({ half }) => half))
    for (const { what, half } of meterOnly) parts.push({ what, halfPct: half })
    const even = together(parts.map(({ halfPct }) => halfPct))
    const lowPct = Math.max(0, Math.min(expectPct - even, jumpLow - meter))
    const highPct = Math.min(100, Math.max(expectPct + even, jumpHigh + meter))
    const jump = jumpHigh > jumpLow ? { lowPct: Math.max(0, jumpLow), highPct: Math.min(100, jumpHigh) } : null
    return { fan, expectPct, lowPct, highPct, parts, jump, isWide: (highPct - lowPct) / 2 > WIDE_PCT }
  })
}

export type Difference = { readonly fan: string; readonly expectPct: number; readonly halfPct: number }

/** Whether two readings lie far enough apart to be compared. */
export const differs = ({ expectPct, halfPct }: Difference): boolean => Math.abs(expectPct) >= 2 * halfPct

/** How much the fans should differ between two steps, by the same probe and the same reference: where both are off by the same, it cancels. */
export function expectDifference(
  context: ProveContext,
  check: CheckOf<'speed'>,
  readings: readonly (StepReading | undefined)[] = [],
): Difference[] {
  const [first, second] = [0, check.steps.length - 1].map((step) => stagesRead(check, readings, step))
  const [from, to] = [fansAfter(context, first!), fansAfter(context, second!)]
  const brought = check.steps[0]!.reads[0] ?? ''
  const input = measuredOf(context, brought)
  const span = Math.abs((second!.at(-1)?.values[brought] ?? 0) - (first!.at(-1)?.values[brought] ?? 0))
  const probe = context.installation.kit.probes.find((candidate) => candidate.input === input?.id)
  // Common practice, no source: what a hand instrument repeats to is about a fifth of what it may be off.
  const repeats = input ? inputHalf(context.installation, input, 0) / 5 : 0
  return context.machine.fanIds.map((fan, index) => {
    const expectPct = to[index]! - from[index]!
    const slope = span > 0 ? Math.abs(expectPct) / span : 0
    const steps = context.response.steps.stepPct
    const inVolts = readings.every((reading) => reading?.fansV?.[fan] !== undefined) && readings.length > 0
    const meter = together(meterParts(context.installation, fan, to[index]!, inVolts).map(({ half }) => half))
    const halfPct = together([slope * (probe?.resolution ?? 0), slope * repeats, slope * repeats, meter, meter]) + steps
    return { fan, expectPct, halfPct }
  })
}

const overlaps = (a: SpeedExpectation, b: SpeedExpectation): boolean =>
  a.lowPct <= b.highPct + NEAR && b.lowPct <= a.highPct + NEAR

/** Whether readings inside the bands of these steps tell a right setting from a wrong one: of one step, that no band is wide; of several,
 *  that some fan differs between two of them by more than its bands. */
export function showsSomething(steps: readonly (readonly SpeedExpectation[])[]): boolean {
  const all = steps.flat()
  return steps.length < 2
    ? all.every(({ isWide }) => !isWide)
    : all.some((one) => all.some((other) => one.fan === other.fan && !overlaps(one, other)))
}

const CURVE_SAMPLES = 120

/** What the lead gives along the first reading of a step, in base units, with everything else as it was read: the part of the range in which
 *  something changes. Empty where nothing is read, or nothing changes. */
export function givenOver(
  context: ProveContext,
  check: CheckOf<'speed'>,
  step: number,
  readings: readonly (StepReading | undefined)[] = [],
): { readonly x: number; readonly pct: number }[] {
  const [id] = check.steps[step]!.reads
  const input = id === undefined ? undefined : measuredOf(context, id)
  if (!input) return []
  const stages = stagesRead(check, readings, step)
  const last = stages.at(-1)!
  const points = Array.from({ length: CURVE_SAMPLES + 1 }, (_sample, index) => {
    const x = input.from + ((input.to - input.from) * index) / CURVE_SAMPLES
    const values = { ...last.values, [input.id]: x }
    return { x, pct: fansAfter(context, [...stages.slice(0, -1), { ...last, values }])[0]! }
  })
  const moves = (index: number) => Math.abs(points[index]!.pct - points[Math.max(0, index - 1)]!.pct) > 0.05
  const first = points.findIndex((_point, index) => moves(index))
  if (first < 0) return []
  const end = points.findLastIndex((_point, index) => moves(index))
  const spare = Math.max(3, Math.ceil((end - first) / 4))
  return points.slice(Math.max(0, first - spare), end + spare + 1)
}
