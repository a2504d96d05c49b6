import type { SurgeSlot } from '@/core/controller/schema'
import { inputKindOf, settingOrFixed, slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import type { Surge } from '@/core/rules/surge'

export const surgeSlot: SlotKind<Surge, SurgeSlot> = {
  slots: ({ surges = [] }) => surges,
  takes: (slot, rule, response) => slot.input === inputKindOf(response, rule),
  wants: {
    'surge.rise': ({ rise }) => rise,
    'surge.release': ({ release }) => release,
    'surge.windowS': ({ windowS }) => windowS,
    'surge.capS': ({ capS }) => capS,
    'surge.speedPct': ({ speedPct }) => speedPct,
  },
  lowerIsMore: () => true,
  give(rule, slot, context) {
    const { valueOf, losses } = context
    const quantity = slot.input === 'temperature' ? 'temperatureDifference' : 'humidity'
    const rise = settingOrFixed(rule, rule.rise, valueOf('surge.rise'), slot.rise, { what: 'rise', quantity }, losses)
    const release = settingOrFixed(
      rule,
      rule.release,
      valueOf('surge.release'),
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
        valueOf('surge.windowS'),
        slot.windowS,
        { what: 'window', ...time },
        losses,
      ),
      capS: settingOrFixed(rule, rule.capS, valueOf('surge.capS'), slot.capS, { what: 'cap', ...time }, losses),
      speedPct: slotSpeed(rule, slot.speed, 'surge.speedPct', context),
    }
  },
}
