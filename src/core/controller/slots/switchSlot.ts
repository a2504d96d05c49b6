import type { Loss } from '@/core/controller/loss'
import type { SwitchSlot } from '@/core/controller/schema'
import { slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import type { Overrun, SwitchRule } from '@/core/rules/switchRule'

/** The longest an overrun can be: the nearest thing to “as long as it was on” is its cap. */
const longestS = (overrun: Overrun): number =>
  overrun.kind === 'none' ? 0 : overrun.kind === 'fixed' ? overrun.holdS : overrun.capS

function giveOverrun(
  rule: SwitchRule,
  can: readonly Overrun['kind'][],
  setS: number | undefined,
  losses: Loss[],
): Overrun {
  const { overrun } = rule
  const holdS = setS ?? longestS(overrun)
  if (can.includes(overrun.kind)) {
    if (overrun.kind === 'fixed') return { kind: 'fixed', holdS }
    return overrun.kind === 'matched' ? { ...overrun, capS: holdS, floorS: Math.min(overrun.floorS, holdS) } : overrun
  }
  const given: Overrun = can.includes('fixed') ? { kind: 'fixed', holdS } : { kind: 'none' }
  // A fixed overrun of no length is none.
  if (overrun.kind === 'none' && holdS === 0) return overrun
  losses.push({
    kind: 'overrun-replaced',
    rule: rule.id,
    asked: overrun.kind,
    given: given.kind,
    holdS: given.kind === 'fixed' ? holdS : 0,
  })
  return given
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
    const { valueOf, losses } = context
    const onDelayS = slot.onDelay ? (valueOf('switch.onDelayS') ?? rule.onDelayS) : 0
    if (rule.onDelayS > 0 && onDelayS === 0) losses.push({ kind: 'no-on-delay', rule: rule.id, delayS: rule.onDelayS })
    return {
      ...rule,
      speedPct: slotSpeed(rule, slot.speed, 'switch.speedPct', context),
      onDelayS,
      overrun: giveOverrun(rule, slot.overrun, valueOf('switch.overrunS'), losses),
    }
  },
}
