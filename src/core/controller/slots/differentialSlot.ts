import { given, givenParts, made } from '@/core/controller/given'
import type { DifferentialSlot } from '@/core/controller/schema'
import { inputKindOf, slotSpeed, type SlotKind } from '@/core/controller/slots/slotKind'
import { asConvention, pointsFrom } from '@/core/response/conventions'
import type { Differential } from '@/core/rules/differential'

/** The set point that keeps the point at which it comes on, whatever the width has become. */
function setPointFor(rule: Differential, { convention, action }: DifferentialSlot, width: number): number {
  const { onAt } = pointsFrom(convention, action, 0, width)
  return rule.onAt - onAt
}

export const differentialSlot: SlotKind<Differential, DifferentialSlot> = {
  slots: ({ differentials = [] }) => differentials,
  takes: (slot, rule, response) => slot.input === inputKindOf(response, rule) && slot.action === rule.action,
  wants: {
    'differential.width': (rule, { convention, action }) => asConvention(convention, action, rule).differential,
    'differential.setPoint': (rule, slot, chosen) =>
      setPointFor(
        rule,
        slot,
        slot.fixedWidth ??
          chosen('differential.width') ??
          asConvention(slot.convention, slot.action, rule).differential,
      ),
    'differential.onAt': ({ onAt }) => onAt,
    'differential.offAt': ({ offAt }) => offAt,
    'differential.speedPct': ({ speedPct }) => speedPct,
    'differential.minOnS': ({ minOnS }) => minOnS,
    'differential.minOffS': ({ minOffS }) => minOffS,
  },
  lowerIsMore: ({ action }) => action === 'direct',
  give(rule, slot, context) {
    const { valueOf } = context
    const asked = asConvention(slot.convention, slot.action, rule)
    const width = slot.fixedWidth ?? valueOf('differential.width') ?? asked.differential
    const isFixed = slot.fixedWidth !== undefined && Math.abs(width - asked.differential) > 1e-6
    const setPoint = valueOf('differential.setPoint') ?? setPointFor(rule, slot, width)
    const [onAt, offAt] = [valueOf('differential.onAt'), valueOf('differential.offAt')]
    const minS = (wantedS: number, means: 'differential.minOnS' | 'differential.minOffS') =>
      slot.minTimes ? (valueOf(means) ?? wantedS) : 0
    return made(
      givenParts({
        points: given(
          // Two figures of their own mean what they say, whatever the convention.
          onAt !== undefined && offAt !== undefined
            ? { onAt, offAt: slot.action === 'direct' ? Math.min(offAt, onAt) : Math.max(offAt, onAt) }
            : pointsFrom(slot.convention, slot.action, setPoint, width),
          isFixed && {
            kind: 'fixed-figure',
            rule: rule.id,
            what: 'differential',
            quantity: 'temperatureDifference',
            asked: asked.differential,
            given: width,
          },
        ),
        times: given(
          { minOnS: minS(rule.minOnS, 'differential.minOnS'), minOffS: minS(rule.minOffS, 'differential.minOffS') },
          !slot.minTimes &&
            (rule.minOnS > 0 || rule.minOffS > 0) && { kind: 'part-left-out', part: 'min-times', name: rule.id },
        ),
        speedPct: slotSpeed(rule, slot.speed, 'differential.speedPct', context),
      }),
      ({ points, times, speedPct }) => ({ ...rule, ...points, speedPct, ...times }),
    )
  },
}
