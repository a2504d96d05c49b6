import { givenParts, made } from '@/core/controller/given'
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
  give: (rule, slot, context) =>
    made(
      givenParts({
        holdS: settingOrFixed(rule, {
          what: 'time after',
          quantity: 'time',
          asked: rule.holdS,
          set: context.valueOf('holdAfterFall.holdS'),
          fixed: slot.holdS,
        }),
        speedPct: slotSpeed(rule, slot.speed, 'holdAfterFall.speedPct', context),
      }),
      (figures) => ({ ...rule, armAbove: context.valueOf('holdAfterFall.armAbove') ?? rule.armAbove, ...figures }),
    ),
}
