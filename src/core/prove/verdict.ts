import { fanSignal } from '@/core/kit/fanSignal'
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
import type { Finding } from '@/core/prove/finding'
import type { CheckReading, StepReading } from '@/core/prove/reading'
import { allowedS } from '@/core/prove/uncertainty'

export const VERDICTS = ['passes', 'fails', 'cannot-tell'] as const
export type VerdictKind = (typeof VERDICTS)[number]
export type Verdict = { readonly verdict: VerdictKind; readonly finding: Finding }

const NEAR = 1e-9

type Judged = SpeedExpectation & { readonly step: number; readonly readPct: number; readonly isInside: boolean }

/** The percent that was read of a fan, from volts by the fan's own signal where those were read; undefined where nothing was. */
export function readPct(
  { installation, response }: ProveContext,
  reading: StepReading | undefined,
  fan: string,
): number | undefined {
  const volts = reading?.fansV?.[fan]
  const fitted = installation.kit.fans.find(({ id }) => id === fan)
  const signal = fitted && fanSignal(fitted, response)
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
  if (missing.length > 0) return { verdict: 'cannot-tell', finding: { code: 'not-read', names: missing } }
  const judged = judgedSteps(context, check, readings)
  const failing = judged.filter(({ isInside }) => !isInside)
  const off = (one: Judged) => Math.abs(one.readPct - one.expectPct)
  const worst = [...(failing.length > 0 ? failing : judged)].sort((a, b) => off(b) - off(a))[0]!
  const finding: Finding = {
    code: 'off',
    step: check.steps.length > 1 ? worst.step + 1 : null,
    fan: fanName(context, worst.fan),
    offPct: off(worst),
    lowPct: worst.lowPct,
    highPct: worst.highPct,
  }
  if (failing.length > 0) return { verdict: 'fails', finding }
  const isTold = check.compares
    ? judged.every(({ isWide }) => !isWide)
    : showsSomething(check.steps.map((_step, step) => judged.filter((one) => one.step === step)))
  if (isTold) return { verdict: 'passes', finding }
  if (check.compares) return judgeDifference(context, check, readings)
  const wide = judged.find(({ isWide }) => isWide) ?? judged[0]!
  return {
    verdict: 'cannot-tell',
    finding:
      check.steps.length > 1
        ? { code: 'nothing-changes' }
        : { code: 'too-wide', lowPct: wide.lowPct, highPct: wide.highPct, mostPct: WIDE_PCT },
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
  const finding: Finding = {
    code: 'change-off',
    fan: fanName(context, worst.fan),
    expectPct: worst.expectPct,
    offPct: worst.off,
    allowedPct: worst.halfPct,
  }
  if (worst.off > worst.halfPct + NEAR) return { verdict: 'fails', finding }
  return judged.some(differs)
    ? { verdict: 'passes', finding }
    : { verdict: 'cannot-tell', finding: { code: 'too-near' } }
}

/** Judges a reading against what the response gives at the moment that was really read.
 *  @throws {RangeError} when the reading is of another kind than the check */
export function judge(context: ProveContext, check: Check, reading: CheckReading): Verdict {
  if (reading.kind === 'not-possible')
    return { verdict: 'cannot-tell', finding: { code: 'not-possible', why: reading.why } }
  if (check.kind === 'speed' && reading.kind === 'speed') return judgeSpeed(context, check, reading.steps)
  if (check.kind === 'time' && reading.kind === 'time') {
    const allowed = allowedS(check.expectS)
    const offS = Math.abs(reading.timeS - check.expectS)
    return {
      verdict: offS <= allowed + NEAR ? 'passes' : 'fails',
      finding: { code: 'time-off', offS, allowedS: allowed },
    }
  }
  if (check.kind === 'seen' && reading.kind === 'seen')
    return {
      verdict: reading.asExpected ? 'passes' : 'fails',
      finding: { code: 'seen', asExpected: reading.asExpected },
    }
  throw new RangeError(`a ${check.kind} check cannot be judged by a ${reading.kind} reading`)
}
