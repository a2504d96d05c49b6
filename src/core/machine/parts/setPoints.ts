import type { PartContext } from '@/core/machine/parts/context'
import type { Block } from '@/core/rules/block'
import type { SetPoint } from '@/core/rules/weekSpan'
import { exact } from '@/core/rules/exact'
import { ruleKind, type Rule } from '@/core/rules/table'
import { fillSpan, minuteOf, WEEK_MIN } from '@/core/rules/week'

/** A rule whose points move with the week: how far, at a clock in seconds since Monday 00:00. */
type Shift = { readonly input: string; readonly at: (weekS: number) => number }

/** Null for a rule whose points stay. Where two of its times overlap, the point that asks more counts. */
function compileShift(rule: Rule): Shift | null {
  if (!('setPoints' in rule) || !rule.setPoints) return null
  const { points, asksWhenLow } = ruleKind(rule)
  const [own = NaN] = points(rule)
  const asksMore = (a: SetPoint, b: SetPoint): number => (asksWhenLow(rule) ? b.at - a.at : a.at - b.at)
  const shifts = new Float64Array(WEEK_MIN)
  // What asks more is filled last.
  for (const point of [...rule.setPoints].sort((a, b) => asksMore(b, a))) fillSpan(shifts, point, point.at - own)
  return { input: rule.input, at: (weekS) => (weekS >= 0 ? shifts[minuteOf(weekS)]! : 0) }
}

/** Moves each such rule's input instead of its points: the rule then reads a place of its own behind the clock.
 *  @returns the place of a rule's input, and what fills those places in a block */
export function compileSetPoints(
  rules: readonly Rule[],
  { inputIndex, clockIndex, dateIndex }: Omit<PartContext, 'tiedIndex'>,
) {
  const shifts = rules.map(compileShift)
  const moved = shifts.flatMap((shift, rule) => (shift ? [{ shift, rule, from: inputIndex(shift.input) }] : []))
  const placeOf = (rule: number): number | null => {
    const index = moved.findIndex((candidate) => candidate.rule === rule)
    return index < 0 ? null : dateIndex + 1 + index
  }
  return {
    count: moved.length,
    placeOf,
    shiftOf: (rule: number, weekS: number): number => shifts[rule]?.at(weekS) ?? 0,
    fill({ start, end, inputs }: Block): void {
      const clock = inputs[clockIndex]!
      for (const [index, { from, shift }] of moved.entries()) {
        const [own, read] = [inputs[dateIndex + 1 + index]!, inputs[from]!]
        for (let row = start; row < end; row++) own[row] = exact(read[row]! - shift.at(clock[row]!))
      }
    },
  }
}
