import { given, made, type Given } from '@/core/controller/given'
import type { WeekSlot } from '@/core/controller/schema'
import type { SlotKind } from '@/core/controller/slots/slotKind'
import { toStep } from '@/core/machine/steps'
import type { SetPoint, WeekSpan } from '@/core/rules/weekSpan'
import type { Week } from '@/core/rules/week'

const NEAR = 1e-6

/** As many of these as the calendar holds, each on its steps: it begins no later and ends no earlier than asked. */
function givePeriods<P extends WeekSpan>(
  periods: readonly P[],
  { periodsADay, stepMin }: WeekSlot,
  rule: string,
): Given<P[]> {
  const onDay = new Array<number>(7).fill(0)
  const kept = periods.filter(({ days }) => {
    if (days.some((day) => onDay[day]! >= periodsADay)) return false
    for (const day of days) onDay[day]!++
    return true
  })
  const onStep = kept.map((period) => ({
    ...period,
    startMin: Math.floor(period.startMin / stepMin) * stepMin,
    endMin: Math.min(1440, Math.ceil(period.endMin / stepMin) * stepMin),
  }))
  const hasMoved = onStep.some(
    ({ startMin, endMin }, index) => startMin !== kept[index]!.startMin || endMin !== kept[index]!.endMin,
  )
  return given(
    onStep,
    kept.length < periods.length && { kind: 'periods-left-out', rule, kept: kept.length, asked: periods.length },
    hasMoved && { kind: 'period-moved', rule, stepMin },
  )
}

/** Set points by the week, where the model has a calendar of them.
 *  @param nearest the nearest point the calendar can be told, on the safe side */
export function giveSetPoints(
  setPoints: readonly SetPoint[] | undefined,
  slot: WeekSlot | undefined,
  rule: string,
  nearest: (at: number) => number,
): Given<SetPoint[] | undefined> {
  if (!setPoints) return given(undefined)
  if (slot) {
    const told = setPoints.map((period) => ({ ...period, at: nearest(period.at) }))
    const moves = told.map(({ at }, index) => Math.abs(at - setPoints[index]!.at)).filter((by) => by > NEAR)
    const { value, losses } = givePeriods(told, slot, rule)
    return given(
      value,
      ...losses,
      moves.length > 0 && { kind: 'set-points-moved', rule, moved: moves.length, farthest: Math.max(...moves) },
    )
  }
  return given(undefined, { kind: 'part-left-out', part: 'set-points', name: rule })
}

export const weekSlot: SlotKind<Week, WeekSlot> = {
  slots: ({ weeks = [] }) => weeks.filter((slot) => slot.of === 'speed'),
  takes: () => true,
  wants: {},
  lowerIsMore: () => true,
  give: (rule, slot) =>
    made(givePeriods(rule.periods, slot, rule.id), (periods) => ({
      ...rule,
      periods: periods.map((period) => ({
        ...period,
        speedPct: toStep({ stepPct: slot.stepPct ?? 0, rounding: 'up' }, period.speedPct),
      })),
    })),
}
