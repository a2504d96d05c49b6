import type { AfterRunSlot } from '@/core/controller/schema'
import { inputKindOf, settingOrFixed, slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import type { AfterRun } from '@/core/rules/afterRun'

export const afterRunSlot: SlotKind<AfterRun, AfterRunSlot> = {
  slots: ({ afterRuns = [] }) => afterRuns,
  takes: (slot, rule, response) => slot.input === inputKindOf(response, rule),
  wants: {
    'afterRun.armAbove': ({ armAbove }) => armAbove,
    'afterRun.holdS': ({ holdS }) => holdS,
    'afterRun.speedPct': ({ speedPct }) => speedPct,
  },
  lowerIsMore: () => true,
  give(rule, slot, context) {
    const { valueOf, losses } = context
    return {
      ...rule,
      armAbove: valueOf('afterRun.armAbove') ?? rule.armAbove,
      holdS: settingOrFixed(
        rule,
        rule.holdS,
        valueOf('afterRun.holdS'),
        slot.holdS,
        { what: 'time after', quantity: 'time' },
        losses,
      ),
      speedPct: slotSpeed(rule, slot.speed, 'afterRun.speedPct', context),
    }
  },
}
