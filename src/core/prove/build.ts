import { modeInputs } from '@/core/machine/modeInputs'
import { isUpward } from '@/core/machine/past'
import type { MachineState } from '@/core/machine/state'
import type { Check, CheckOf, Step } from '@/core/prove/check'
import { bringsFor, brought, leavesOf, measuredOf, terminals, type ProveContext } from '@/core/prove/context'
import { differs, expectDifference, expectStep, fansAfter, shifted, showsSomething } from '@/core/prove/expect'
import { awayFromCycles, playStages, timeUntil } from '@/core/prove/play'
import type { Stage, Values } from '@/core/prove/stage'
import { allowedS, HAND_HALF_S, inputHalf } from '@/core/prove/uncertainty'
import type { StepSays } from '@/core/prove/words'
import { dateInSeason } from '@/core/response/dates'
import { isMeasured, type Input, type MeasuredInput } from '@/core/rules/input'
import type { PlainCondition } from '@/core/rules/condition'
import { ruleInputId, type Rule } from '@/core/rules/table'
import type { WeekSpan } from '@/core/rules/weekSpan'

/** What a check is called by, and what it says. */
export type Words = Pick<Check, 'id' | 'says'>

/** How long a speed takes to stand after a change: scan, start kick, rate, least times of stages. */
export function settleS({ response }: ProveContext): number {
  const { scanS = 0, rate, stages, startKick } = response
  const slowest = rate ? 100 / Math.min(rate.upPctPerS, rate.downPctPerS) : 0
  const staged = stages ? (stages.fixed.length + 1) * stages.minStageS : 0
  return Math.ceil(Math.max(60, slowest + staged) + 2 * scanS + (startKick?.holdS ?? 0))
}

const toInputs =
  (context: ProveContext) =>
  (values: Values): Float64Array =>
    terminals(context, values)

export const stateAfter = (context: ProveContext, stages: readonly Stage[]): MachineState =>
  playStages(context.machine, stages, toInputs(context))

/** The lead after stages, a cycle in its pause. */
export const leadAfter = (context: ProveContext, stages: readonly Stage[]): number => fansAfter(context, stages)[0]!

/** Rest, in the mode that a rule belongs to. */
export function restFor(context: ProveContext, rule?: Rule): Values {
  const { rest, response } = context
  const mode = rule?.modes?.length === 1 ? rule.modes[0] : undefined
  const values = mode ? { ...rest, ...modeInputs(response, mode) } : rest
  return (rule?.onlyWhile ?? []).reduce((so, condition) => letStand(context, condition, so, ruleInputId(rule!)), values)
}

/** A moment in which a condition stands, as far as it hangs on something else than what the check itself brings about. */
export function letStand(
  context: ProveContext,
  condition: PlainCondition,
  values: Values,
  own: string | null = null,
): Values {
  switch (condition.kind) {
    case 'input': {
      const { input, at, when } = condition
      return input === own
        ? values
        : brought(context, values, input, beyond(context, input, at, isUpward(when) ? 1 : -1))
    }
    case 'between': {
      const { input, from, to } = condition
      return input === own ? values : brought(context, values, input, (from + to) / 2)
    }
    case 'difference': {
      const { input, minus, by, when } = condition
      const way = isUpward(when) ? 1 : -1
      // A degree or two more than it takes, so that the error of both probes does not matter.
      const spare = way * DIFFERENCE_SPARE
      return minus === own
        ? brought(context, values, input, (values[minus] ?? 0) + by + spare)
        : brought(context, values, minus, (values[input] ?? 0) - by - spare)
    }
    case 'switch':
      return { ...values, [condition.input]: condition.is === 'on' ? 1 : 0 }
    case 'drier': {
      // A dry bag outside does not tell of the air: the room is made damp, and both are read.
      const { input, humidity, outdoor, outdoorHumidity } = condition
      return [
        [outdoor, values[input] ?? 20],
        [humidity, DAMP_RH],
        [outdoorHumidity, DRY_RH],
      ].reduce<Values>((so, [id, x]) => brought(context, so, id as string, x as number), values)
    }
    case 'season': {
      const date = dateInSeason(context.response, condition.season)
      return date === null ? values : { ...values, date }
    }
    case 'clock': {
      const [{ days, startMin, endMin }] = condition.spans as [WeekSpan]
      const lengthMin = (endMin - startMin + 1440) % 1440 || 1440
      return { ...values, clock: (((days[0] ?? 0) * 1440 + startMin + lengthMin / 2) % 10_080) * 60 }
    }
  }
}

/** Surely damper than the other at one temperature, %RH; common practice, no source. */
const [DAMP_RH, DRY_RH] = [85, 35]
/** Kelvin or percent; common practice, no source. */
const DIFFERENCE_SPARE = 3

export const resting = (values: Values): Stage => ({ values, forS: 0 })
/** @param afterS how long it takes to answer at all */
export const standing = (context: ProveContext, values: Values, afterS = 0): Stage => ({
  values,
  forS: settleS(context) + afterS,
})

/** How far the points of rule number `index` have moved at a moment, by the week or by its target. */
export const shiftAt = ({ machine, offsets }: ProveContext, index: number, values: Values): number =>
  machine.shiftOf(index, machine.settledState(terminals({ machine, offsets }, values)))

/** How far past a point an input has to be brought so that the controller is surely past it too. */
export function beyond(context: ProveContext, id: string, point: number, way: 1 | -1): number {
  const input = measuredOf(context, id)
  if (!input) return point
  const leaves = bringsFor(context, id)
  const half = Math.max(...leaves.map((leaf) => inputHalf(context.installation, leaf, point)), 0)
  const step = leaves.some(({ kind }) => kind === 'temperature') ? 0.1 : 0.5
  const past = point + way * (half + step)
  const x = Number((Math.round(past / step) * step).toFixed(3))
  if (input.kind === 'humidity') return Math.min(100, Math.max(0, x))
  return input.kind === 'light' ? Math.max(0, x) : x
}

/** A sensor of light is covered or lit: nobody has a meter in its unit. */
const isRead = ({ kind }: MeasuredInput): boolean => kind !== 'light'

/** Readings beside the one that is brought about that would change a speed here: they are asked for too. */
function alsoRead(context: ProveContext, stages: readonly Stage[], brought: ReadonlySet<string>): string[] {
  const last = stages.at(-1)
  if (!last || last.power === false) return []
  const gives = fansAfter(context, stages)
  return context.response.inputs.flatMap((input: Input) => {
    if (
      !isMeasured(input) ||
      input.combines ||
      !isRead(input) ||
      brought.has(input.id) ||
      Number.isNaN(last.values[input.id])
    )
      return []
    const here = last.values[input.id] ?? input.from
    const half = inputHalf(context.installation, input, here)
    const places = [0, 0.25, 0.5, 0.75, 1].map((share) => input.from + (input.to - input.from) * share)
    const changes = [here - half, here + half, ...places].some((x) => {
      const values = { ...last.values, [input.id]: x }
      return fansAfter(context, [...stages.slice(0, -1), { ...last, values }]).some(
        (pct, fan) => Math.abs(pct - gives[fan]!) > 0.5,
      )
    })
    return changes ? [input.id] : []
  })
}

type Read = {
  readonly stage: Stage
  readonly bring: StepSays
  readonly brings?: string
  /** What goes before it without being read. */
  readonly after?: readonly Stage[]
}

/** A check that reads the fans at one or several stages, from rest. */
export function speedCheck(
  context: ProveContext,
  words: Words,
  rest: Values,
  reads: readonly Read[],
  compares?: true,
): CheckOf<'speed'> {
  const stages: Stage[] = [resting(rest)]
  const steps = reads.map(({ stage, bring, brings, after = [] }): Step => {
    stages.push(...after, stage)
    const leaves =
      brings === undefined
        ? []
        : leavesOf(context, brings)
            .filter(isRead)
            .map(({ id }) => id)
    return {
      stage: stages.length - 1,
      bring,
      reads: [...leaves, ...alsoRead(context, stages, new Set(leaves))],
    }
  })
  const [first] = reads.flatMap(({ brings }) => (brings !== undefined && measuredOf(context, brings) ? [brings] : []))
  return {
    kind: 'speed',
    ...words,
    measure: { kind: 'speeds', input: first ?? null },
    waitS: Math.max(...reads.map(({ stage }) => stage.forS)),
    stages,
    steps,
    ...(compares ? { compares } : {}),
  }
}

/** Whether its readings tell something: where there is one step, no band is too wide; where there are several, some fan differs between them
 *  more than its bands. */
export function tells(context: ProveContext, check: CheckOf<'speed'>): boolean {
  const steps = check.steps.map((_step, step) => expectStep(context, check, step))
  if (!check.compares) return showsSomething(steps)
  return steps.flat().every(({ isWide }) => !isWide) || expectDifference(context, check).some(differs)
}

/** A check by the stopwatch, from the last stage on; null where no speed changes that could be timed. */
export function timeCheck(
  context: ProveContext,
  words: (expectS: number, fromPct: number, toPct: number) => Words,
  {
    stages,
    ends,
    guessS,
  }: {
    readonly stages: readonly Stage[]
    /** The moment in force while it is timed. */
    readonly ends: Values
    readonly guessS: number
  },
): CheckOf<'time'> | null {
  const { machine } = context
  const inputs = terminals(context, ends)
  const state = stateAfter(context, stages)
  machine.step(state, inputs, 0)
  const fromPct = state.fansPct[0]!
  const settled = machine.settledState(inputs)
  const toPct = awayFromCycles(machine, settled, inputs).fansPct[0]!
  return timedCheck(context, words, {
    stages: [...stages, { values: ends, forS: 0 }],
    fromPct,
    toPct,
    guessS,
  })
}

/** The same with both speeds said. */
export function timedCheck(
  context: ProveContext,
  words: (expectS: number, fromPct: number, toPct: number) => Words,
  {
    stages,
    fromPct,
    toPct,
    guessS,
  }: {
    readonly stages: readonly Stage[]
    readonly fromPct: number
    readonly toPct: number
    readonly guessS: number
  },
): CheckOf<'time'> | null {
  // Less than this nobody hears.
  if (Math.abs(fromPct - toPct) < 8) return null
  const takes = (gone: readonly Stage[]): number | null =>
    timeUntil(context.machine, stateAfter(context, gone), terminals(context, gone.at(-1)!.values), {
      fromPct,
      toPct,
      guessS,
    })
  const expectS = takes(stages)
  // A hand cannot tell a shorter time from none.
  if (expectS === null || expectS < 3 * HAND_HALF_S) return null
  // Nor does it tell anything where it hangs on how far the probes are off.
  const isSure = [-1, 1].every((way) => {
    const off = takes(shiftedAll(context, stages, way))
    return off !== null && Math.abs(off - expectS) <= allowedS(expectS) / 4
  })
  if (!isSure) return null
  const rounded = Number(expectS.toFixed(1))
  return {
    kind: 'time',
    ...words(rounded, fromPct, toPct),
    measure: { kind: 'stopwatch' },
    waitS: rounded,
    stages,
    expectS: rounded,
    fromPct,
    toPct,
  }
}

/** Every probe off by as much as it may be, all to one side. */
const shiftedAll = ({ response, installation }: ProveContext, stages: readonly Stage[], way: number): Stage[] =>
  response.inputs
    .filter(isMeasured)
    .reduce<Stage[]>(
      (gone, input) =>
        shifted(gone, [input.id], way * inputHalf(installation, input, gone[0]?.values[input.id] ?? input.from)),
      [...stages],
    )

/** A check by the eye. */
export const seenCheck = (
  words: Words & { readonly waitS?: number },
  look: CheckOf<'seen'>['look'],
  stages: readonly Stage[] = [],
): CheckOf<'seen'> => ({ kind: 'seen', waitS: 0, measure: { kind: 'stopwatch' }, ...words, look, stages })
