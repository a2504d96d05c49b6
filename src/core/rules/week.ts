import { Type, type Static } from '@sinclair/typebox'
import { closed, Percent } from '@/core/json/vocabulary'
import { common, span, type WeekSpan } from '@/core/rules/common'
import type { Problem } from '@/core/json/problem'
import { formatNumber } from '@/core/quantity/format'
import { DAY_NAMES } from '@/core/rules/localClock'
import { spanParts } from '@/core/rules/sentence'
import { text, type RuleKind } from '@/core/rules/kind'

export const Period = Type.Object({ ...span, speedPct: Percent }, closed)
export type Period = Static<typeof Period>
export const Week = Type.Object(
  { ...common, kind: Type.Literal('week'), periods: Type.Array(Period, { minItems: 1, maxItems: 60 }) },
  closed,
)
export type Week = Static<typeof Week>

export const DAY_S = 86400
export const WEEK_S = 7 * DAY_S
export const WEEK_MIN = WEEK_S / 60

/** The minute of the week of a clock in seconds since Monday 00:00. */
export function minuteOf(weekS: number): number {
  const minute = (weekS / 60) | 0
  return minute < WEEK_MIN ? minute : minute % WEEK_MIN
}

/** Puts `value` at every minute of the week at which a span runs. The start counts, the end does not; one that ends before it starts
 *  runs over midnight. Local time as a clock on the wall shows it: an hour that is missing or comes twice cannot skip an end. */
export function fillSpan(
  minutes: Float64Array | Uint8Array,
  { days, startMin, endMin }: WeekSpan,
  value: number,
): void {
  for (const day of days) {
    const start = day * 1440 + startMin
    const end = day * 1440 + endMin + (endMin <= startMin ? 1440 : 0)
    minutes.fill(value, start, Math.min(end, WEEK_MIN))
    if (end > WEEK_MIN) minutes.fill(value, 0, end - WEEK_MIN)
  }
}

export const clockText = (minute: number): string =>
  `${formatNumber(Math.floor(minute / 60), 0).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`

/** Days as they are said: every day, Mon to Fri, Sat, Sun. */
export function daysText(days: readonly number[]): string {
  const sorted = [...days].sort((a, b) => a - b)
  const [first, last] = [sorted[0], sorted.at(-1)]
  if (first === undefined || last === undefined) return 'no day'
  if (sorted.length === 7) return 'every day'
  const isRun = sorted.length > 2 && last - first === sorted.length - 1
  return isRun
    ? `${DAY_NAMES[first] ?? ''} to ${DAY_NAMES[last] ?? ''}`
    : sorted.map((day) => DAY_NAMES[day]).join(', ')
}

export const periodText = ({ days, startMin, endMin }: WeekSpan): string =>
  `${daysText(days)} ${clockText(startMin)} to ${clockText(endMin)}`

/** Equal times are refused: nobody could say whether none of the day is meant or all of it. */
export const emptySpan = ({ startMin, endMin }: WeekSpan, path: string): Problem[] =>
  startMin === endMin
    ? [
        {
          code: 'said',
          path: `${path}.endMin`,
          text: `A period from ${clockText(startMin)} to ${clockText(endMin)} has no length; for the whole day use 00:00 to 24:00.`,
        },
      ]
    : []

export const weekKind: RuleKind<Week> = {
  check: ({ periods }, { path }) => periods.flatMap((period, index) => emptySpan(period, `${path}.periods.${index}`)),
  compile({ periods }, { clockIndex }) {
    // One speed a minute of the week: a step then costs one look. The highest is filled last, so it counts where periods overlap.
    const speeds = new Float64Array(WEEK_MIN).fill(NaN)
    for (const period of [...periods].sort((a, b) => a.speedPct - b.speedPct)) fillSpan(speeds, period, period.speedPct)
    const speedAt = (weekS: number): number => (weekS >= 0 ? speeds[minuteOf(weekS)]! : NaN)
    return {
      ask(inputs, _memory, _dtS, asksPct, place) {
        asksPct[place] = speedAt(inputs[clockIndex]!)
      },
      why: (inputs) =>
        Number.isNaN(inputs[clockIndex]!)
          ? { kind: 'no-clock' }
          : Number.isNaN(speedAt(inputs[clockIndex]!))
            ? { kind: 'week-outside' }
            : { kind: 'week-inside' },
      settle() {},
    }
  },
  sentence: ({ periods }) => [
    text('By the clock: '),
    ...periods.flatMap((period, index) => [
      ...(index > 0 ? [text('; ')] : []),
      ...spanParts(`periods.${index}`, period),
      text(', run '),
      {
        kind: 'field',
        path: `periods.${index}.speedPct`,
        label: `speed ${periodText(period)}`,
        quantity: 'speed',
        value: period.speedPct,
      } as const,
    ]),
    text('.'),
  ],
  cause: () => 'time',
}
