import type { RapidRiseSlot } from '@/core/controller/schema'
import { inputKindOf, settingOrFixed, slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import type { RapidRise } from '@/core/rules/rapidRise'

export const rapidRiseSlot: SlotKind<RapidRise, RapidRiseSlot> = {
  slots: ({ rapidRises = [] }) => rapidRises,
  takes: (slot, rule, response) => slot.input === inputKindOf(response, rule),
  wants: {
    'rapidRise.rise': ({ rise }) => rise,
    'rapidRise.release': ({ release }) => release,
    'rapidRise.windowS': ({ windowS }) => windowS,
    'rapidRise.capS': ({ capS }) => capS,
    'rapidRise.speedPct': ({ speedPct }) => speedPct,
  },
  lowerIsMore: () => true,
  give(rule, slot, context) {
    const { valueOf, losses } = context
    const quantity = slot.input === 'temperature' ? 'temperatureDifference' : 'humidity'
    const rise = settingOrFixed(
      rule,
      rule.rise,
      valueOf('rapidRise.rise'),
      slot.rise,
      { what: 'rise', quantity },
      losses,
    )
    const release = settingOrFixed(
      rule,
      rule.release,
      valueOf('rapidRise.release'),
      slot.release,
      { what: 'release', quantity },
      losses,
    )
    const time = { quantity: 'time' } as const
    return {
      ...rule,
      rise,
      // A release at or above the rise would never end it.
      release: release < rise ? release : rise / 2,
      windowS: settingOrFixed(
        rule,
        rule.windowS,
        valueOf('rapidRise.windowS'),
        slot.windowS,
        { what: 'window', ...time },
        losses,
      ),
      capS: settingOrFixed(rule, rule.capS, valueOf('rapidRise.capS'), slot.capS, { what: 'cap', ...time }, losses),
      speedPct: slotSpeed(rule, slot.speed, 'rapidRise.speedPct', context),
    }
  },
}
