import { ceilingAsked } from '@/core/controller/ceilingAsked'
import { chooseDifferential } from '@/core/controller/differentialPair'
import type { Loss } from '@/core/controller/loss'
import { nearestValue, valuesOf } from '@/core/controller/nearestValue'
import { chooseRamp, type RampCurve } from '@/core/controller/rampPair'
import { careOf, safeSide, type Care, type Place } from '@/core/controller/safeSide'
import type { ControllerModel, DifferentialSlot, Meaning, RampSlot, Setting } from '@/core/controller/schema'
import { rampEnds } from '@/core/controller/slots/rampSlot'
import { ruleKindOf, slotKind } from '@/core/controller/slots/table'
import { wantedValue, type Assignment } from '@/core/controller/wanted'
import { asConvention } from '@/core/response/conventions'
import type { Response } from '@/core/response/schema'
import type { Differential } from '@/core/rules/differential'
import { isMeasured } from '@/core/rules/input'
import type { Ramp } from '@/core/rules/ramp'
import type { Rule } from '@/core/rules/table'

const NEAR = 1e-6
/** Widths before the points that are counted from them. */
const isWidth = ({ means }: Setting): boolean => means === 'differential.width' || means === 'ramp.span'

type Choice = { asked: number | null; given: number; because: string }

const TOGETHER: Record<Care, string> = {
  air: 'nowhere less air',
  pressure: 'no more air in the cold, and full in time',
  suction: 'nowhere more suction',
}

/** Floor and ceiling as they come out, settings chosen. */
function boundsOf(
  model: ControllerModel,
  { stages }: Response,
  valueOf: (means: Meaning, slot: number) => number | undefined,
): { readonly floorPct: number; readonly ceilingPct: number } {
  const floorPct = Math.max(valueOf('floor', 1) ?? model.lowestPct, model.lowestPct)
  return { floorPct, ceilingPct: Math.max(valueOf('ceiling', 1) ?? 100, stages ? 0 : floorPct) }
}

const SENSING: readonly Rule['kind'][] = ['ramp', 'differential', 'rapid-rise', 'hold-after-fall']

/** Slots left empty that act all the same, because their input is there and no setting of theirs switches them off. */
function unaskedIn(response: Response, model: ControllerModel, { inSlots }: Assignment): Loss[] {
  return SENSING.flatMap((kind) => {
    const slots = slotKind(kind).slots(model) as readonly { readonly input: string }[]
    return slots.flatMap(({ input: inputKind }, index): Loss[] => {
      const input = response.inputs.find(({ kind: candidate }) => candidate === inputKind)
      const canBeOff = model.settings.some(
        ({ means, slot, off }) => ruleKindOf(means) === kind && slot === index + 1 && off !== undefined,
      )
      return inSlots.get(kind)?.[index] || !input || canBeOff
        ? []
        : [{ kind: 'unasked', rule: kind, input: input.name }]
    })
  })
}

/** What every setting is put to: the asked value on the safe side, or what does nothing (its default where it has no such value) where nothing
 *  speaks of it. Start and band of a ramp, and set point and width of an on/off rule, are chosen together once floor and ceiling stand. */
export function chooseSettings(
  response: Response,
  model: ControllerModel,
  place: Place,
  assignment: Assignment,
  sides: Partial<Record<Meaning, 'up' | 'down'>>,
) {
  const choices = new Map<Setting, Choice>()
  const settingFor = (means: Meaning, slot: number) =>
    model.settings.find((candidate) => candidate.means === means && candidate.slot === slot)
  const valueOf = (means: Meaning, slot: number): number | undefined => {
    const setting = settingFor(means, slot)
    return setting && choices.get(setting)?.given
  }
  const lowerIsMore = ({ means, slot }: Setting): boolean => {
    const kind = ruleKindOf(means)
    const rule = kind && assignment.inSlots.get(kind)?.[slot - 1]
    return rule ? slotKind(rule.kind).lowerIsMore(rule) : true
  }
  const ceiling = ceilingAsked(response, model, assignment)
  const care = careOf(place)
  const inOrder = [...model.settings].sort((a, b) => Number(isWidth(b)) - Number(isWidth(a)))
  for (const setting of inOrder) {
    const isBoost = setting.means === 'ceiling' && ceiling.isOfRules
    const asked =
      setting.means === 'ceiling'
        ? ceiling.speedPct
        : wantedValue(setting, response, model, assignment, (means) => valueOf(means, setting.slot))
    const side = safeSide(isBoost ? 'switch.speedPct' : setting.means, place, lowerIsMore(setting))
    choices.set(setting, {
      asked,
      given:
        asked === null
          ? (setting.off ?? setting.default)
          : nearestValue(setting, asked, sides[setting.means] ?? side.towards),
      because: side.because,
    })
  }
  const putTogether = (what: string, ...given: readonly (readonly [Setting | undefined, number])[]) => {
    const because = `${what} were chosen together: nearest to what was asked, and ${TOGETHER[care]}`
    for (const [setting, value] of given)
      if (setting) choices.set(setting, { ...choices.get(setting)!, given: value, because })
  }
  /** What a setting can be put to while it is in use; what it is fixed at, or what is asked, where there is none. */
  const usable = (setting: Setting | undefined, otherwise: number): number[] =>
    setting ? valuesOf(setting).filter((value) => value !== setting.off) : [otherwise]
  const bounds = boundsOf(model, response, valueOf)

  const rampTogether = (ramp: Ramp, slot: RampSlot, place: number) => {
    const [start, span] = [settingFor('ramp.startAt', place), settingFor('ramp.span', place)]
    const input = response.inputs.find(({ id }) => id === ramp.input)
    if (slot.fixed || !(start ?? span) || !input || !isMeasured(input)) return
    /** As it comes out between a floor and a ceiling. A ladder of fans is asked from nothing to full. */
    const between = (
      ends: Pick<Ramp, 'fromPct' | 'toPct' | 'below'>,
      bounds: { readonly floorPct: number; readonly ceilingPct: number },
      { rescales, mayBeOff }: { readonly rescales: boolean; readonly mayBeOff: boolean },
    ) => ({
      ...ends,
      toPct: rescales ? Math.min(ends.toPct, bounds.ceilingPct) : ends.toPct,
      ...(response.stages ? { floorPct: 0, ceilingPct: 100 } : bounds),
      restPct: response.stages || mayBeOff ? 0 : bounds.floorPct,
    })
    const { floor, ceiling: askedCeiling } = response
    const mayBeOff = floor.offAllowed ?? false
    const asked: RampCurve = {
      ...ramp,
      ...between(
        ramp,
        { floorPct: floor.speedPct, ceilingPct: askedCeiling.speedPct },
        { rescales: askedCeiling.how === 'rescale', mayBeOff },
      ),
    }
    const ends = rampEnds(ramp, slot, { valueOf: (means) => valueOf(means, place), ...bounds })
    const given = between({ ...ends, below: slot.below ?? 'from' }, bounds, {
      rescales: model.ceiling === 'rescale',
      mayBeOff: mayBeOff && (model.abilities?.offAllowed ?? false),
    })
    const points = [input.from, input.to, ramp.startAt, ramp.fullAt]
    const chosen = chooseRamp(
      asked,
      given,
      usable(start, ramp.startAt),
      usable(span, slot.fixedSpan ?? Math.abs(ramp.fullAt - ramp.startAt)).filter((width) => width > 0),
      [Math.min(...points), Math.max(...points)],
      care,
    )
    putTogether('start and band', [start, chosen.startAt], [span, chosen.span])
  }

  const differentialTogether = (rule: Differential, slot: DifferentialSlot, place: number) => {
    const [point, width] = [settingFor('differential.setPoint', place), settingFor('differential.width', place)]
    if (!(point ?? width)) return
    const asked = asConvention(slot.convention, slot.action, rule)
    const chosen = chooseDifferential(
      rule,
      slot,
      usable(point, asked.setPoint),
      usable(width, slot.fixedWidth ?? asked.differential),
      care,
    )
    putTogether('set point and differential', [point, chosen.setPoint], [width, chosen.width])
  }

  for (const [kind, rules] of assignment.inSlots)
    rules.forEach((rule, index) => {
      const slot = slotKind(kind).slots(model)[index]
      if (rule && 'fullAt' in rule) rampTogether(rule, slot as RampSlot, index + 1)
      if (rule && 'offAt' in rule) differentialTogether(rule, slot as DifferentialSlot, index + 1)
    })

  const losses = model.settings.flatMap((setting): Loss[] => {
    const { asked, given, because } = choices.get(setting)!
    if (asked === null) return []
    if (asked < setting.min - NEAR || asked > setting.max + NEAR)
      return [{ kind: 'beyond-range', setting, asked, given }]
    return Math.abs(given - asked) > NEAR ? [{ kind: 'rounded', setting, asked, given, because }] : []
  })
  losses.push(...unaskedIn(response, model, assignment))
  return {
    settings: model.settings.map((setting) => ({ setting: setting.id, value: choices.get(setting)!.given })),
    losses,
    valueOf,
    bounds,
  }
}
