import { given } from '@/core/controller/given'
import type { RampSlot } from '@/core/controller/schema'
import { inputKindOf, type SlotKind } from '@/core/controller/slots/slotKind'
import type { Ramp } from '@/core/rules/ramp'

const NEAR = 1e-6
const falls = ({ startAt, fullAt }: Ramp): boolean => fullAt < startAt

type Known = {
  readonly valueOf: (means: 'ramp.fromPct' | 'ramp.toPct') => number | undefined
  readonly floorPct: number
  readonly ceilingPct: number
}

/** The speeds between which a slot's ramp runs: its own settings, or what it takes where it has none. */
export const rampEnds = (ramp: Ramp, { from, to }: RampSlot, { valueOf, floorPct, ceilingPct }: Known) => ({
  fromPct: from === 'floor' ? floorPct : from === 'zero' ? 0 : (valueOf('ramp.fromPct') ?? ramp.fromPct),
  toPct: to === 'own' ? (valueOf('ramp.toPct') ?? ramp.toPct) : to === 'ceiling' ? ceilingPct : 100,
})

export const rampSlot: SlotKind<Ramp, RampSlot> = {
  slots: ({ ramps }) => ramps,
  takes: (slot, ramp, response) => slot.input === inputKindOf(response, ramp) && (slot.falls ?? false) === falls(ramp),
  wants: {
    'ramp.startAt': ({ startAt }) => startAt,
    'ramp.span': ({ startAt, fullAt }) => Math.abs(fullAt - startAt),
    'ramp.fromPct': ({ fromPct }) => fromPct,
    'ramp.toPct': ({ toPct }) => toPct,
  },
  lowerIsMore: (ramp) => !falls(ramp),
  give(ramp, slot, { response, model, valueOf, floorPct, ceilingPct }) {
    const startAt = slot.fixed?.startAt ?? valueOf('ramp.startAt') ?? ramp.startAt
    const span = slot.fixedSpan ?? valueOf('ramp.span') ?? Math.abs(ramp.fullAt - ramp.startAt)
    const fullAt = slot.fixed?.fullAt ?? (falls(ramp) ? startAt - span : startAt + span)
    const { fromPct, toPct } = rampEnds(ramp, slot, { valueOf, floorPct, ceilingPct })
    const isBuiltIn = slot.fixed !== undefined || slot.fixedSpan !== undefined
    const hasMoved = Math.abs(startAt - ramp.startAt) > NEAR || Math.abs(fullAt - ramp.fullAt) > NEAR
    const wantedFromPct = slot.from === 'floor' ? response.floor.speedPct : slot.from === 'zero' ? 0 : ramp.fromPct
    // A controller that rescales squeezes its full-speed end down to the ceiling.
    const endPct = model.ceiling === 'rescale' ? Math.min(toPct, ceilingPct) : toPct
    const below = slot.below ?? 'from'
    // At or under the floor it makes no difference: the floor asks as much.
    const isHeard = Math.max(ramp.fromPct, fromPct) > response.floor.speedPct + NEAR
    return given(
      { ...ramp, startAt, fullAt, fromPct, toPct, below },
      isBuiltIn &&
        hasMoved && {
          kind: 'fixed-law',
          rule: ramp.id,
          startAt,
          fullAt,
          askedStartAt: ramp.startAt,
          askedFullAt: ramp.fullAt,
        },
      Math.abs(ramp.fromPct - wantedFromPct) > NEAR && {
        kind: 'end-follows',
        rule: ramp.id,
        end: 'from',
        takes: slot.from === 'zero' ? 'nothing' : 'the floor',
        askedPct: ramp.fromPct,
        givenPct: fromPct,
      },
      slot.to !== 'own' &&
        Math.abs(ramp.toPct - endPct) > NEAR && {
          kind: 'end-follows',
          rule: ramp.id,
          end: 'to',
          takes: endPct === 100 ? 'full speed' : 'the ceiling',
          askedPct: ramp.toPct,
          givenPct: endPct,
        },
      below !== ramp.below && isHeard && { kind: below === 'from' ? 'below-holds' : 'below-stops', rule: ramp.id },
    )
  },
}
