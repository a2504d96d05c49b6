import { given, givenParts, made, type Given } from '@/core/controller/given'
import type { SwitchSlot } from '@/core/controller/schema'
import { slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import type { Overrun, SwitchRule } from '@/core/rules/switchRule'

/** The longest an overrun can be: the nearest thing to “as long as it was on” is its cap. */
const longestS = (overrun: Overrun): number =>
  overrun.kind === 'none' ? 0 : overrun.kind === 'fixed' ? overrun.holdS : overrun.capS

function giveOverrun(rule: SwitchRule, can: readonly Overrun['kind'][], setS: number | undefined): Given<Overrun> {
  const { overrun } = rule
  const holdS = setS ?? longestS(overrun)
  if (can.includes(overrun.kind)) {
    if (overrun.kind === 'fixed') return given({ kind: 'fixed', holdS })
    return given(
      overrun.kind === 'matched' ? { ...overrun, capS: holdS, floorS: Math.min(overrun.floorS, holdS) } : overrun,
    )
  }
  const instead: Overrun = can.includes('fixed') ? { kind: 'fixed', holdS } : { kind: 'none' }
  // A fixed overrun of no length is none.
  if (overrun.kind === 'none' && holdS === 0) return given(overrun)
  return given(instead, {
    kind: 'overrun-replaced',
    rule: rule.id,
    asked: overrun.kind,
    given: instead.kind,
    holdS: instead.kind === 'fixed' ? holdS : 0,
  })
}

export const switchSlot: SlotKind<SwitchRule, SwitchSlot> = {
  slots: ({ switches }) => switches,
  takes: () => true,
  wants: {
    'switch.speedPct': ({ speedPct }) => speedPct,
    'switch.onDelayS': ({ onDelayS }) => onDelayS,
    'switch.overrunS': ({ overrun }) => longestS(overrun),
  },
  lowerIsMore: () => true,
  give(rule, slot, context) {
    const { valueOf } = context
    const onDelayS = slot.onDelay ? (valueOf('switch.onDelayS') ?? rule.onDelayS) : 0
    return made(
      givenParts({
        onDelayS: given(
          onDelayS,
          rule.onDelayS > 0 && onDelayS === 0 && { kind: 'no-on-delay', rule: rule.id, delayS: rule.onDelayS },
        ),
        speedPct: slotSpeed(rule, slot.speed, 'switch.speedPct', context),
        overrun: giveOverrun(rule, slot.overrun, valueOf('switch.overrunS')),
      }),
      (figures) => ({ ...rule, ...figures }),
    )
  },
}
