import { slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import type { CycleSlot } from '@/core/controller/schema'
import type { Cycle } from '@/core/response/schema'

export const cycleSlot: SlotKind<Cycle, CycleSlot> = {
  slots: ({ cycles = [] }) => cycles,
  takes: () => true,
  wants: (means, { onS, periodS, speedPct }) =>
    means === 'cycle.onS' ? onS : means === 'cycle.periodS' ? periodS : means === 'cycle.speedPct' ? speedPct : null,
  lowerIsMore: () => true,
  give: (rule, slot, context) => ({
    ...rule,
    onS: context.valueOf('cycle.onS') ?? rule.onS,
    periodS: context.valueOf('cycle.periodS') ?? rule.periodS,
    speedPct: slotSpeed(rule, slot.speed, 'cycle.speedPct', context),
  }),
}
