import type { ControllerModel } from '@/core/controller/schema'
import { slotKind } from '@/core/controller/slots/table'
import type { Assignment } from '@/core/controller/wanted'
import type { Response } from '@/core/response/schema'
import { highestAskPct } from '@/core/rules/table'

/** Whether the ceiling stands in for a speed of this slot. */
const followsCeiling = (slot: unknown): boolean =>
  typeof slot === 'object' &&
  slot !== null &&
  (('speed' in slot && slot.speed === 'ceiling') || ('to' in slot && slot.to === 'ceiling'))

/** What the ceiling is to be: as asked, and where it is also the speed of rules that have none of their own, no more than the most that any rule
 *  asks for. One boost that serves several rules is so fitted to what is asked of them.
 *  @returns the speed, and whether it stands for what rules ask */
export function ceilingAsked(
  { floor, ceiling }: Response,
  model: ControllerModel,
  { inSlots }: Assignment,
): { readonly speedPct: number; readonly isOfRules: boolean } {
  const placed = [...inSlots].flatMap(([kind, rules]) =>
    rules.flatMap((rule, index) => (rule ? [{ rule, slot: slotKind(kind).slots(model)[index] }] : [])),
  )
  const most = Math.max(floor.speedPct, ...placed.map(({ rule }) => highestAskPct(rule)))
  if (most >= ceiling.speedPct || !placed.some(({ slot }) => followsCeiling(slot)))
    return { speedPct: ceiling.speedPct, isOfRules: false }
  return { speedPct: most, isOfRules: true }
}
