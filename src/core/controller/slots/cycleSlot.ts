import { made } from '@/core/controller/given'
import type { CycleSlot } from '@/core/controller/schema'
import { slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import type { Cycle } from '@/core/rules/cycle'

export const cycleSlot: SlotKind<Cycle, CycleSlot> = {
  slots: ({ cycles = [] }) => cycles,
  takes: () => true,
  wants: {
    'cycle.onS': ({ onS }) => onS,
    'cycle.periodS': ({ periodS }) => periodS,
    'cycle.speedPct': ({ speedPct }) => speedPct,
  },
  lowerIsMore: () => true,
  give: (rule, slot, context) =>
    made(slotSpeed(rule, slot.speed, 'cycle.speedPct', context), (speedPct) => ({
      ...rule,
      onS: context.valueOf('cycle.onS') ?? rule.onS,
      periodS: context.valueOf('cycle.periodS') ?? rule.periodS,
      speedPct,
    })),
}
