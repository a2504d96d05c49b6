import type { Check } from '@/core/prove/plan'
import type { CheckReading } from '@/core/prove/reading'
import type { Kit } from '@/core/kit/schema'
import type { Machine } from '@/core/response/compile'
import { formatNumber, formatPct, formatTime } from '@/core/quantity/format'

/** Common practice, no source: what a hand meter or a controller's own display is good for, in percent of range. */
export const METER_TOLERANCE_PCT = 2
/** Common practice, no source: a hand on a stopwatch, plus one part in twenty for a controller's timer. */
export const HAND_TOLERANCE_S = 2
export const TIMER_TOLERANCE_SHARE = 0.05

export type SpeedExpectation = {
  readonly fan: string
  readonly expectPct: number
  /** Band the reading may lie in, and what it is made of. */
  readonly lowPct: number
  readonly highPct: number
  readonly reasons: readonly string[]
}

/** What each fan should give at the inputs of a check, the read one at the value really read.
 *  The band is what the response gives within one resolution of the probe either side, and the meter on top. */
export function expectSpeeds(
  check: Extract<Check, { kind: 'speed' }>,
  machine: Machine,
  kit: Kit,
  inputRead: number | null,
): SpeedExpectation[] {
  const { readInput } = check
  const probe = kit.probes.find(({ input }) => input === readInput)
  const resolution = probe?.resolution ?? 0
  const givenAt = (x: number | null): Float64Array =>
    machine.settledState(
      machine.inputsFrom(readInput !== null && x !== null ? { ...check.inputs, [readInput]: x } : check.inputs),
    ).fansPct
  const x = inputRead ?? (readInput !== null ? (check.inputs[readInput] ?? null) : null)
  const here = givenAt(x)
  const [below, above] = x === null ? [here, here] : [givenAt(x - resolution), givenAt(x + resolution)]
  return machine.fanIds.map((fan, index) => {
    const values = [here[index]!, below[index]!, above[index]!]
    const [low, high] = [Math.min(...values), Math.max(...values)]
    const reasons = [`meter ± ${METER_TOLERANCE_PCT} points`]
    if (high > low)
      reasons.unshift(`probe ± ${formatNumber(resolution, 1)} gives ${formatPct(low)} to ${formatPct(high)} %`)
    return {
      fan,
      expectPct: here[index]!,
      lowPct: Math.max(0, low - METER_TOLERANCE_PCT),
      highPct: Math.min(100, high + METER_TOLERANCE_PCT),
      reasons,
    }
  })
}

export type Verdict = { readonly verdict: 'holds' | 'fails'; readonly sentence: string }

/** Judges a reading against what the response gives at the input that was really read.
 *  @throws {RangeError} when the reading is of another kind than the check */
export function judge(check: Check, reading: CheckReading, machine: Machine, kit: Kit): Verdict {
  if (check.kind === 'speed' && reading.kind === 'speed') {
    const off = expectSpeeds(check, machine, kit, reading.inputRead).flatMap(({ fan, expectPct, lowPct, highPct }) => {
      const readPct = reading.fansPct[fan]
      if (readPct === undefined) return []
      return [
        {
          name: kit.fans.find(({ id }) => id === fan)?.name ?? fan,
          holds: readPct >= lowPct - 1e-9 && readPct <= highPct + 1e-9,
          offPct: readPct - expectPct,
          lowPct,
          highPct,
        },
      ]
    })
    if (off.length === 0) return { verdict: 'fails', sentence: 'No speed was read.' }
    const failing = off.filter(({ holds }) => !holds)
    const worst = [...(failing.length > 0 ? failing : off)].sort((a, b) => Math.abs(b.offPct) - Math.abs(a.offPct))[0]!
    return {
      verdict: failing.length > 0 ? 'fails' : 'holds',
      sentence: `${worst.name} ${formatPct(Math.abs(worst.offPct))} points off; ${formatPct(worst.lowPct)} to ${formatPct(worst.highPct)} % allowed.`,
    }
  }
  if (check.kind === 'time' && reading.kind === 'time') {
    const allowedS = HAND_TOLERANCE_S + check.expectS * TIMER_TOLERANCE_SHARE
    const offS = Math.abs(reading.timeS - check.expectS)
    return {
      verdict: offS <= allowedS ? 'holds' : 'fails',
      sentence: `${formatTime(Number(offS.toFixed(1)))} off; ${formatTime(Number(allowedS.toFixed(1)))} allowed.`,
    }
  }
  if (check.kind === 'seen' && reading.kind === 'seen')
    return {
      verdict: reading.asExpected ? 'holds' : 'fails',
      sentence: reading.asExpected ? 'Seen as expected.' : 'Not as expected.',
    }
  throw new RangeError(`a ${check.kind} check cannot be judged by a ${reading.kind} reading`)
}
