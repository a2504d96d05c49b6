import { inputKindOf, type SlotKind } from '@/core/controller/slots/slotKind'
import type { RampSlot } from '@/core/controller/schema'
import type { Ramp } from '@/core/response/schema'

const NEAR = 1e-6
const falls = ({ startAt, fullAt }: Ramp): boolean => fullAt < startAt

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
  give(ramp, slot, { response, model, valueOf, floorPct, ceilingPct, losses }) {
    const startAt = slot.fixed?.startAt ?? valueOf('ramp.startAt') ?? ramp.startAt
    const span = valueOf('ramp.span') ?? Math.abs(ramp.fullAt - ramp.startAt)
    const fullAt = slot.fixed?.fullAt ?? (falls(ramp) ? startAt - span : startAt + span)
    if (slot.fixed && (Math.abs(startAt - ramp.startAt) > NEAR || Math.abs(fullAt - ramp.fullAt) > NEAR))
      losses.push({ kind: 'fixed-law', rule: ramp.id, startAt, fullAt })
    const fromPct =
      slot.from === 'floor' ? floorPct : slot.from === 'zero' ? 0 : (valueOf('ramp.fromPct') ?? ramp.fromPct)
    const toPct = slot.to === 'own' ? (valueOf('ramp.toPct') ?? ramp.toPct) : slot.to === 'ceiling' ? ceilingPct : 100
    const wantedFromPct = slot.from === 'floor' ? response.floor.speedPct : slot.from === 'zero' ? 0 : ramp.fromPct
    if (Math.abs(ramp.fromPct - wantedFromPct) > NEAR)
      losses.push({
        kind: 'end-follows',
        rule: ramp.id,
        end: 'from',
        takes: slot.from === 'zero' ? 'nothing' : 'the floor',
        askedPct: ramp.fromPct,
        givenPct: fromPct,
      })
    // A controller that rescales squeezes its full-speed end down to the ceiling.
    const endPct = model.ceiling === 'rescale' ? Math.min(toPct, ceilingPct) : toPct
    if (slot.to !== 'own' && Math.abs(ramp.toPct - endPct) > NEAR)
      losses.push({
        kind: 'end-follows',
        rule: ramp.id,
        end: 'to',
        takes: endPct === 100 ? 'full speed' : 'the ceiling',
        askedPct: ramp.toPct,
        givenPct: endPct,
      })
    const below = slot.below ?? 'from'
    // At or under the floor it makes no difference: the floor asks as much.
    if (below !== ramp.below && Math.max(ramp.fromPct, fromPct) > response.floor.speedPct + NEAR)
      losses.push({ kind: below === 'from' ? 'below-holds' : 'below-stops', rule: ramp.id })
    return { ...ramp, startAt, fullAt, fromPct, toPct, below }
  },
}
