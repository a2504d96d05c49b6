import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Percent } from '@/core/json/vocabulary'
import { clockText } from '@/core/quantity/clock'
import type { DateStyle } from '@/core/quantity/dateStyle'
import { raise } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { span, type WeekSpan, emptySpan } from '@/core/rules/weekSpan'
import { text, type RuleKind, PLAIN } from '@/core/rules/kind'
import { DAY_NAMES } from '@/core/rules/localClock'
import { spanParts, WEEKEND } from '@/core/rules/sentence'

export const Period = Type.Object(
  { ...span, speedPct: about('speed in the period, percent; the highest where periods overlap', Percent) },
  closed,
)
export type Period = Static<typeof Period>
export const Week = Type.Object(
  {
    ...common,
    kind: about('speeds by the clock', Type.Literal('week')),
    periods: about('times of the week with a speed each', Type.Array(Period, { minItems: 1, maxItems: 60 })),
  },
  closed,
)
export type Week = Static<typeof Week>

const DAY_S = 86400
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

export const periodText = ({ days, startMin, endMin }: WeekSpan, style?: Pick<DateStyle, 'clock'>): string =>
  `${daysText(days)} ${clockText(startMin, style)} to ${clockText(endMin, style)}`

type Why = { readonly kind: 'week-inside' | 'week-outside' }

export const weekKind: RuleKind<Week, Why> = {
  ...PLAIN,

  check: ({ periods }, { path }) => periods.flatMap((period, index) => emptySpan(period, `${path}.periods.${index}`)),
  compile({ periods }, { clockIndex }) {
    // One speed a minute of the week: a step then costs one look. The highest is filled last, so it counts where periods overlap.
    const speeds = new Float64Array(WEEK_MIN).fill(NaN)
    for (const period of [...periods].sort((a, b) => a.speedPct - b.speedPct)) fillSpan(speeds, period, period.speedPct)
    const speedAt = (weekS: number): number => (weekS >= 0 ? speeds[minuteOf(weekS)]! : NaN)
    return {
      ask(block, _memory, asksPct, rule) {
        const clock = block.inputs[clockIndex]!
        let pct = NaN
        for (let row = block.start; row < block.end; row++) {
          pct = speedAt(clock[row]!)
          if (pct > 0) raise(block, row, pct, rule)
        }
        asksPct[rule] = pct
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
  name: (input) => input,
  trigger: 'clock',
  title: 'calendar',
  trade: () => 'time schedule',
  formula:
    'the speed of the period the clock is in, the highest where they overlap; the start counts, the end does not',
  whyText: ({ kind }) => (kind === 'week-inside' ? 'the clock is inside a period' : 'the clock is outside its periods'),
  more: ({ periods }) => [
    {
      label: 'Add a period',
      change: (draft) => void draft.periods.push({ ...WEEKEND, speedPct: periods.at(-1)!.speedPct }),
    },
    ...(periods.length > 1
      ? [{ label: 'Take the last period away', change: (draft: Week) => void draft.periods.pop() }]
      : []),
  ],
  offers: [
    {
      sentence: 'By the clock, run at a set speed on working days',
      words: 'week time timer hours days night',
      figure: { quantity: 'speed', typedUnit: '%' },
      make: ({ figure: figurePct, ceilingPct }) => ({
        id: 'week',
        kind: 'week',
        periods: [{ days: [0, 1, 2, 3, 4], startMin: 480, endMin: 1020, speedPct: figurePct ?? ceilingPct }],
      }),
    },
  ],
  speeds: ({ periods }) => periods.map(({ speedPct }, index) => ({ which: `period ${index + 1}`, pct: speedPct })),
  withSpeeds: (rule, move) => ({
    ...rule,
    periods: rule.periods.map((period) => ({ ...period, speedPct: move(period.speedPct) })),
  }),
  spans: ({ periods }) => periods,
}
