import { givenParts, made } from '@/core/controller/given'
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
    const quantity = slot.input === 'temperature' ? 'temperatureDifference' : 'humidity'
    const figure = (key: 'rise' | 'release' | 'windowS' | 'capS', what: string, of: typeof quantity | 'time') =>
      settingOrFixed(rule, {
        what,
        quantity: of,
        asked: rule[key],
        set: context.valueOf(`rapidRise.${key}`),
        fixed: slot[key],
      })
    return made(
      givenParts({
        rise: figure('rise', 'rise', quantity),
        release: figure('release', 'release', quantity),
        windowS: figure('windowS', 'window', 'time'),
        capS: figure('capS', 'cap', 'time'),
        speedPct: slotSpeed(rule, slot.speed, 'rapidRise.speedPct', context),
      }),
      // A release at or above the rise would never end it.
      ({ rise, release, ...figures }) => ({
        ...rule,
        rise,
        release: release < rise ? release : rise / 2,
        ...figures,
      }),
    )
  },
}
