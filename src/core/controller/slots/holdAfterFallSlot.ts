import type { HoldAfterFallSlot } from '@/core/controller/schema'
import { inputKindOf, settingOrFixed, slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import type { HoldAfterFall } from '@/core/rules/holdAfterFall'

export const holdAfterFallSlot: SlotKind<HoldAfterFall, HoldAfterFallSlot> = {
  slots: ({ holdsAfterFall = [] }) => holdsAfterFall,
  takes: (slot, rule, response) => slot.input === inputKindOf(response, rule),
  wants: {
    'holdAfterFall.armAbove': ({ armAbove }) => armAbove,
    'holdAfterFall.holdS': ({ holdS }) => holdS,
    'holdAfterFall.speedPct': ({ speedPct }) => speedPct,
  },
  lowerIsMore: () => true,
  give(rule, slot, context) {
    const { valueOf, losses } = context
    return {
      ...rule,
      armAbove: valueOf('holdAfterFall.armAbove') ?? rule.armAbove,
      holdS: settingOrFixed(
        rule,
        rule.holdS,
        valueOf('holdAfterFall.holdS'),
        slot.holdS,
        { what: 'time after', quantity: 'time' },
        losses,
      ),
      speedPct: slotSpeed(rule, slot.speed, 'holdAfterFall.speedPct', context),
    }
  },
}
