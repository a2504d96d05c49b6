import type { Loss } from '@/core/controller/loss'
import type { WeekSlot } from '@/core/controller/schema'
import type { SlotKind } from '@/core/controller/slots/slotKind'
import { toStep } from '@/core/machine/steps'
import type { SetPoint, WeekSpan } from '@/core/rules/common'
import type { Week } from '@/core/rules/week'

/** As many of these as the calendar holds, each on its steps: it begins no later and ends no earlier than asked. */
function givePeriods<P extends WeekSpan>(
  periods: readonly P[],
  { periodsADay, stepMin }: WeekSlot,
  rule: string,
  losses: Loss[],
): P[] {
  const onDay = new Array<number>(7).fill(0)
  const kept = periods.filter(({ days }) => {
    if (days.some((day) => onDay[day]! >= periodsADay)) return false
    for (const day of days) onDay[day]!++
    return true
  })
  if (kept.length < periods.length)
    losses.push({ kind: 'periods-left-out', rule, kept: kept.length, asked: periods.length })
  const onStep = kept.map((period) => ({
    ...period,
    startMin: Math.floor(period.startMin / stepMin) * stepMin,
    endMin: Math.min(1440, Math.ceil(period.endMin / stepMin) * stepMin),
  }))
  if (
    onStep.some(({ startMin, endMin }, index) => startMin !== kept[index]!.startMin || endMin !== kept[index]!.endMin)
  )
    losses.push({ kind: 'period-moved', rule, stepMin })
  return onStep
}

/** Set points by the week, where the model has a calendar of them. */
export function giveSetPoints(
  setPoints: readonly SetPoint[] | undefined,
  slot: WeekSlot | undefined,
  rule: string,
  losses: Loss[],
): SetPoint[] | undefined {
  if (!setPoints) return undefined
  if (slot) return givePeriods(setPoints, slot, rule, losses)
  losses.push({ kind: 'part-left-out', part: 'set-points', name: rule })
  return undefined
}

export const weekSlot: SlotKind<Week, WeekSlot> = {
  slots: ({ weeks = [] }) => weeks.filter((slot) => slot.of === 'speed'),
  takes: () => true,
  wants: {},
  lowerIsMore: () => true,
  give: (rule, slot, { losses }) => ({
    ...rule,
    periods: givePeriods(rule.periods, slot, rule.id, losses).map((period) => ({
      ...period,
      speedPct: toStep({ stepPct: slot.stepPct ?? 0, rounding: 'up' }, period.speedPct),
    })),
  }),
}
