import { speedFromSignal } from '@/core/physics/signal'
import type { Check, CheckOf } from '@/core/prove/check'
import { fanName, measuredOf, type ProveContext } from '@/core/prove/context'
import {
  differs,
  expectDifference,
  expectStep,
  showsSomething,
  WIDE_PCT,
  type SpeedExpectation,
} from '@/core/prove/expect'
import type { CheckReading, StepReading } from '@/core/prove/reading'
import { allowedS } from '@/core/prove/uncertainty'
import { formatNumber, formatPct, formatTime } from '@/core/quantity/format'

export const VERDICTS = ['passes', 'fails', 'cannot-tell'] as const
export type VerdictKind = (typeof VERDICTS)[number]
export type Verdict = { readonly verdict: VerdictKind; readonly sentence: string }

const NEAR = 1e-9

type Judged = SpeedExpectation & { readonly step: number; readonly readPct: number; readonly isInside: boolean }

/** The percent that was read of a fan, from volts by the fan's own signal where those were read; undefined where nothing was. */
export function readPct(
  { installation }: ProveContext,
  reading: StepReading | undefined,
  fan: string,
): number | undefined {
  const volts = reading?.fansV?.[fan]
  const signal = installation.kit.fans.find(({ id }) => id === fan)?.signal
  return volts !== undefined && signal ? speedFromSignal(signal, volts) : reading?.fansPct[fan]
}

const judgedSteps = (context: ProveContext, check: CheckOf<'speed'>, readings: readonly StepReading[]): Judged[] =>
  check.steps.flatMap((_step, step) =>
    expectStep(context, check, step, readings).flatMap((expected): Judged[] => {
      const read = readPct(context, readings[step], expected.fan)
      if (read === undefined) return []
      const isInside = read >= expected.lowPct - NEAR && read <= expected.highPct + NEAR
      return [{ ...expected, step, readPct: read, isInside }]
    }),
  )

/** Readings that count and were not noted, by name. */
function notRead(context: ProveContext, check: CheckOf<'speed'>, readings: readonly StepReading[]): string[] {
  const inputs = check.steps.flatMap(({ reads }, step) =>
    reads.filter((id) => readings[step]?.inputs[id] === undefined).map((id) => measuredOf(context, id)?.name ?? id),
  )
  const fans = check.steps.flatMap((_step, step) =>
    context.machine.fanIds
      .filter((fan) => readPct(context, readings[step], fan) === undefined)
      .map((fan) => fanName(context, fan)),
  )
  return [...new Set([...inputs, ...fans])]
}

function judgeSpeed(context: ProveContext, check: CheckOf<'speed'>, readings: readonly StepReading[]): Verdict {
  const missing = notRead(context, check, readings)
  if (missing.length > 0)
    return { verdict: 'cannot-tell', sentence: `Not everything that counts was read: ${missing.join(', ')}.` }
  const judged = judgedSteps(context, check, readings)
  const failing = judged.filter(({ isInside }) => !isInside)
  const off = (one: Judged) => Math.abs(one.readPct - one.expectPct)
  const worst = [...(failing.length > 0 ? failing : judged)].sort((a, b) => off(b) - off(a))[0]!
  const where = check.steps.length > 1 ? `Step ${worst.step + 1}: ` : ''
  const figures = `${where}${fanName(context, worst.fan)} ${formatPct(off(worst))} points off; ${formatPct(worst.lowPct)} to ${formatPct(worst.highPct)} % allowed.`
  if (failing.length > 0) return { verdict: 'fails', sentence: figures }
  const isTold = check.compares
    ? judged.every(({ isWide }) => !isWide)
    : showsSomething(check.steps.map((_step, step) => judged.filter((one) => one.step === step)))
  if (isTold) return { verdict: 'passes', sentence: figures }
  if (check.compares) return judgeDifference(context, check, readings)
  const wide = judged.find(({ isWide }) => isWide) ?? judged[0]!
  return {
    verdict: 'cannot-tell',
    sentence:
      check.steps.length > 1
        ? 'At these readings nothing was to change: it was not brought surely past its point.'
        : `At this reading anything from ${formatNumber(wide.lowPct, 0)} to ${formatNumber(wide.highPct, 0)} % would be right: more than ${WIDE_PCT} points to either side. Bring it further from where the speed changes.`,
  }
}

/** Two readings inside their wide bands: what is off by the same cancels between them. */
function judgeDifference(context: ProveContext, check: CheckOf<'speed'>, readings: readonly StepReading[]): Verdict {
  const [first, last] = [readings[0]!, readings[check.steps.length - 1]!]
  const judged = expectDifference(context, check, readings).map((difference) => ({
    ...difference,
    off: Math.abs(
      readPct(context, last, difference.fan)! - readPct(context, first, difference.fan)! - difference.expectPct,
    ),
  }))
  const worst = judged.sort((a, b) => b.off - b.halfPct - (a.off - a.halfPct))[0]!
  const sentence = `${fanName(context, worst.fan)}: between the two it should change by ${formatPct(Math.abs(worst.expectPct))} points; ${formatPct(worst.off)} off, ${formatPct(worst.halfPct)} allowed.`
  if (worst.off > worst.halfPct + NEAR) return { verdict: 'fails', sentence }
  return judged.some(differs)
    ? { verdict: 'passes', sentence }
    : { verdict: 'cannot-tell', sentence: 'The two readings lie too near together to compare them.' }
}

/** Judges a reading against what the response gives at the moment that was really read.
 *  @throws {RangeError} when the reading is of another kind than the check */
export function judge(context: ProveContext, check: Check, reading: CheckReading): Verdict {
  if (check.kind === 'speed' && reading.kind === 'speed') return judgeSpeed(context, check, reading.steps)
  if (check.kind === 'time' && reading.kind === 'time') {
    const allowed = allowedS(check.expectS)
    const offS = Math.abs(reading.timeS - check.expectS)
    return {
      verdict: offS <= allowed + NEAR ? 'passes' : 'fails',
      sentence: `${formatTime(Number(offS.toFixed(1)))} off; ${formatTime(Number(formatNumber(allowed, 1)))} allowed.`,
    }
  }
  if (check.kind === 'seen' && reading.kind === 'seen')
    return {
      verdict: reading.asExpected ? 'passes' : 'fails',
      sentence: reading.asExpected ? 'Seen as expected.' : 'Not as expected.',
    }
  throw new RangeError(`a ${check.kind} check cannot be judged by a ${reading.kind} reading`)
}
