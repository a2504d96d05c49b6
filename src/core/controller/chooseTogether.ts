import { chooseDifferential } from '@/core/controller/differentialPair'
import { valuesOf } from '@/core/controller/nearestValue'
import { chooseRamp, type RampCurve } from '@/core/controller/rampPair'
import type { Care } from '@/core/controller/safeSide'
import type { ControllerModel, DifferentialSlot, Meaning, RampSlot, Setting } from '@/core/controller/schema'
import { settingOf } from '@/core/controller/settingOf'
import { rampEnds } from '@/core/controller/slots/rampSlot'
import { slotKind } from '@/core/controller/slots/table'
import type { Assignment } from '@/core/controller/wanted'
import { asConvention } from '@/core/response/conventions'
import type { Response } from '@/core/response/schema'
import type { Differential } from '@/core/rules/differential'
import { isMeasured } from '@/core/rules/input'
import type { Ramp } from '@/core/rules/ramp'

/** One of two settings that were chosen together. */
type Chosen = { readonly setting: Setting; readonly given: number; readonly because: string }

type Known = {
  /** What a setting was put to by itself. */
  readonly valueOf: (means: Meaning, slot: number) => number | undefined
  readonly bounds: { readonly floorPct: number; readonly ceilingPct: number }
  readonly care: Care
}

type InSlot = Known & { readonly response: Response; readonly model: ControllerModel; readonly place: number }

const TOGETHER: Record<Care, string> = {
  air: 'nowhere less air',
  pressure: 'no more air in the cold, and full in time',
  suction: 'nowhere more suction',
}

/** What a setting can be put to while it is in use; what it is fixed at, or what is asked, where there is none. */
const usable = (setting: Setting | undefined, otherwise: number): number[] =>
  setting ? valuesOf(setting).filter((value) => value !== setting.off) : [otherwise]

const pair = (
  { care }: InSlot,
  what: string,
  ...given: readonly (readonly [Setting | undefined, number])[]
): Chosen[] => {
  const because = `${what} were chosen together: nearest to what was asked, and ${TOGETHER[care]}`
  return given.flatMap(([setting, value]) => (setting ? [{ setting, given: value, because }] : []))
}

type Ends = Pick<Ramp, 'fromPct' | 'toPct' | 'below'>

/** A ramp as it comes out between a floor and a ceiling. A ladder of fans is asked from nothing to full. */
const between = (
  ends: Ends,
  bounds: Known['bounds'],
  {
    isLadder,
    rescales,
    mayBeOff,
  }: { readonly isLadder: boolean; readonly rescales: boolean; readonly mayBeOff: boolean },
) => ({
  ...ends,
  toPct: rescales ? Math.min(ends.toPct, bounds.ceilingPct) : ends.toPct,
  ...(isLadder ? { floorPct: 0, ceilingPct: 100 } : bounds),
  restPct: isLadder || mayBeOff ? 0 : bounds.floorPct,
})

/** The ramp as asked, and the ends it has in its slot. */
function rampCurves(
  ramp: Ramp,
  slot: RampSlot,
  known: InSlot,
): { asked: RampCurve; given: ReturnType<typeof between> } {
  const { response, model, bounds, place } = known
  const { floor, ceiling } = response
  const isLadder = response.stages !== undefined
  const mayBeOff = floor.offAllowed ?? false
  const askedBounds = { floorPct: floor.speedPct, ceilingPct: ceiling.speedPct }
  const ends = rampEnds(ramp, slot, { valueOf: (means) => known.valueOf(means, place), ...bounds })
  return {
    asked: { ...ramp, ...between(ramp, askedBounds, { isLadder, rescales: ceiling.how === 'rescale', mayBeOff }) },
    given: between({ ...ends, below: slot.below ?? 'from' }, bounds, {
      isLadder,
      rescales: model.ceiling === 'rescale',
      mayBeOff: mayBeOff && (model.abilities?.offAllowed ?? false),
    }),
  }
}

function rampTogether(ramp: Ramp, slot: RampSlot, known: InSlot): Chosen[] {
  const [start, span] = [
    settingOf(known.model, 'ramp.startAt', known.place),
    settingOf(known.model, 'ramp.span', known.place),
  ]
  const input = known.response.inputs.find(({ id }) => id === ramp.input)
  if (slot.fixed || !(start ?? span) || !input || !isMeasured(input)) return []
  const { asked, given } = rampCurves(ramp, slot, known)
  const points = [input.from, input.to, ramp.startAt, ramp.fullAt]
  const chosen = chooseRamp(
    asked,
    given,
    usable(start, ramp.startAt),
    usable(span, slot.fixedSpan ?? Math.abs(ramp.fullAt - ramp.startAt)).filter((width) => width > 0),
    [Math.min(...points), Math.max(...points)],
    known.care,
  )
  return pair(known, 'start and band', [start, chosen.startAt], [span, chosen.span])
}

function differentialTogether(rule: Differential, slot: DifferentialSlot, known: InSlot): Chosen[] {
  const [point, width] = [
    settingOf(known.model, 'differential.setPoint', known.place),
    settingOf(known.model, 'differential.width', known.place),
  ]
  if (!(point ?? width)) return []
  const asked = asConvention(slot.convention, slot.action, rule)
  const chosen = chooseDifferential(
    rule,
    slot,
    usable(point, asked.setPoint),
    usable(width, slot.fixedWidth ?? asked.differential),
    known.care,
  )
  return pair(known, 'set point and differential', [point, chosen.setPoint], [width, chosen.width])
}

/** The settings that only mean something together: start and band of each ramp, set point and width of each on/off rule. */
export const chooseTogether = (
  response: Response,
  model: ControllerModel,
  { inSlots }: Assignment,
  known: Known,
): readonly Chosen[] =>
  [...inSlots].flatMap(([kind, rules]) =>
    rules.flatMap((rule, index) => {
      const slot = slotKind(kind).slots(model)[index]
      const inSlot = { ...known, response, model, place: index + 1 }
      if (rule && 'fullAt' in rule) return rampTogether(rule, slot as RampSlot, inSlot)
      return rule && 'offAt' in rule ? differentialTogether(rule, slot as DifferentialSlot, inSlot) : []
    }),
  )
