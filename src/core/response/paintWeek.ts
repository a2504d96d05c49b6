import { clamp } from '@/core/json/clamp'
import type { WeekSpan } from '@/core/rules/weekSpan'

/** A span of one day to be painted; one that ends before it starts runs over midnight. */
export type PaintedSpan = { readonly day: number; readonly startMin: number; readonly endMin: number }

const withoutDays = ({ days: _days, ...rest }: WeekSpan): string =>
  JSON.stringify(Object.entries(rest).sort(([a], [b]) => a.localeCompare(b)))

/** Periods that differ by their days alone become one; those left without a day go. */
export function joined<P extends WeekSpan>(periods: readonly P[]): P[] {
  const kept: P[] = []
  for (const period of periods) {
    if (period.days.length === 0) continue
    const at = kept.findIndex((other) => withoutDays(other) === withoutDays(period))
    if (at < 0) kept.push(period)
    else kept[at] = { ...kept[at]!, days: [...new Set([...kept[at]!.days, ...period.days])].sort((a, b) => a - b) }
  }
  return kept
}

/** Paints a stroke like `like`. */
export const paint = <P extends WeekSpan>(
  periods: readonly P[],
  { day, startMin, endMin }: PaintedSpan,
  like: P,
): P[] => joined([...periods, { ...like, days: [day], startMin, endMin }])

/** Takes one day out of a period. */
export const wipe = <P extends WeekSpan>(periods: readonly P[], index: number, day: number): P[] =>
  joined(
    periods.map((period, at) =>
      at === index ? { ...period, days: period.days.filter((held) => held !== day) } : period,
    ),
  )

/** Moves or stretches what stands on one day; the other days of its period stay. */
export function reshape<P extends WeekSpan>(periods: readonly P[], index: number, day: number, to: PaintedSpan): P[] {
  const of = periods[index]
  return of ? paint(wipe(periods, index, day), to, of) : [...periods]
}

/** Makes other days like one day. */
export function copyDay<P extends WeekSpan>(periods: readonly P[], from: number, to: readonly number[]): P[] {
  const others = to.filter((day) => day !== from)
  return joined(
    periods.map((period) => {
      const kept = period.days.filter((day) => !others.includes(day))
      return { ...period, days: [...kept, ...(period.days.includes(from) ? others : [])].sort((a, b) => a - b) }
    }),
  )
}

/** Start and end of a span in minutes of the local day; one that ends before it starts runs over midnight. */
export type Times = Pick<WeekSpan, 'startMin' | 'endMin'>

const DAY_MIN = 1440

const isOver = ({ startMin, endMin }: Times): boolean => endMin <= startMin

/** The same length from another start; past midnight it runs on into the next day.
 *  @param startMin wanted; it stays on its day
 *  @param stepMin the least length of a span */
export function movedTo({ startMin: was, endMin }: Times, startMin: number, stepMin: number): Times {
  const lengthMin = (endMin - was + DAY_MIN) % DAY_MIN || DAY_MIN
  const start = clamp(startMin, 0, DAY_MIN - stepMin)
  const end = start + lengthMin
  return { startMin: start, endMin: end > DAY_MIN ? end - DAY_MIN : end }
}

/** The times after one end was put elsewhere; null where nothing would be left of them, or where they would turn over midnight. */
export function stretched(times: Times, end: 'start' | 'end', atMin: number, stepMin: number): Times | null {
  const next =
    end === 'start' ? { ...times, startMin: Math.min(atMin, DAY_MIN - stepMin) } : { ...times, endMin: atMin }
  return next.startMin === next.endMin || isOver(next) !== isOver(times)
    ? null
    : { startMin: next.startMin, endMin: next.endMin }
}
