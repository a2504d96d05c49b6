import { boundsOf } from '@/core/controller/boundsOf'
import { ceilingAsked } from '@/core/controller/ceilingAsked'
import { chooseTogether } from '@/core/controller/chooseTogether'
import type { Loss } from '@/core/controller/loss'
import { nearestValue } from '@/core/controller/nearestValue'
import { careOf, safeSide, type Place } from '@/core/controller/safeSide'
import {
  isPart,
  type ControllerModel,
  type Meaning,
  type PartSetting,
  type Setting,
  type SettingValue,
} from '@/core/controller/schema'
import { settingOf } from '@/core/controller/settingOf'
import { ruleKindOf, slotKind } from '@/core/controller/slots/table'
import { outputTypeOf, wantedValue, type Assignment } from '@/core/controller/wanted'
import type { Response } from '@/core/response/schema'
import type { Rule } from '@/core/rules/table'

const NEAR = 1e-6
/** Widths before the points that are counted from them. */
const isWidth = ({ means }: Setting): boolean => means === 'differential.width' || means === 'ramp.span'

type Choice = { readonly asked: number | null; readonly given: number; readonly because: string }

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

/** What each setting wants by itself, on the safe side: widths before the points that are counted from them. */
function chooseEach(
  response: Response,
  model: ControllerModel,
  place: Place,
  assignment: Assignment,
  sides: Partial<Record<Meaning, 'up' | 'down'>>,
): ReadonlyMap<Setting, Choice> {
  const choices = new Map<Setting, Choice>()
  const valueOf = valueIn(model, choices)
  const ceiling = ceilingAsked(response, model, assignment)
  const lowerIsMore = ({ means, slot }: PartSetting): boolean => {
    const kind = ruleKindOf(means)
    const rule = kind && assignment.inSlots.get(kind)?.[slot - 1]
    return rule ? slotKind(rule.kind).lowerIsMore(rule) : true
  }
  const inOrder = model.settings.filter(isPart).sort((a, b) => Number(isWidth(b)) - Number(isWidth(a)))
  for (const setting of inOrder) {
    const isCeiling = setting.means === 'ceiling'
    const asked = isCeiling
      ? ceiling.speedPct
      : setting.means === 'signal.type'
        ? outputTypeOf(place.signal)
        : wantedValue(setting, response, model, assignment, (means) => valueOf(means, setting.slot))
    const means = isCeiling && ceiling.isOfRules ? 'switch.speedPct' : setting.means
    const side = safeSide(means, place, lowerIsMore(setting))
    const given =
      asked === null
        ? (setting.off ?? setting.default)
        : nearestValue(setting, asked, sides[setting.means] ?? side.towards)
    choices.set(setting, { asked, given, because: side.because })
  }
  return choices
}

const valueIn =
  (model: ControllerModel, choices: ReadonlyMap<Setting, Choice>) =>
  (means: Meaning, slot: number): number | undefined => {
    const setting = settingOf(model, means, slot)
    return setting && choices.get(setting)?.given
  }

/** What every setting is put to: the asked value on the safe side, or what does nothing (its default where it has no such value) where nothing
 *  speaks of it. Start and band of a ramp, and set point and width of an on/off rule, are chosen together once floor and ceiling stand.
 *  @param instead settings that somebody puts to another value than would be chosen */
export function chooseSettings(
  response: Response,
  model: ControllerModel,
  place: Place,
  assignment: Assignment,
  sides: Partial<Record<Meaning, 'up' | 'down'>>,
  instead: readonly SettingValue[] = [],
) {
  const each = chooseEach(response, model, place, assignment, sides)
  const bounds = boundsOf(model, response, valueIn(model, each))
  const pairs = chooseTogether(response, model, assignment, {
    valueOf: valueIn(model, each),
    bounds,
    care: careOf(place),
  })
  const choices = new Map(each)
  for (const { setting, ...pair } of pairs) choices.set(setting, { ...choices.get(setting)!, ...pair })
  const parts = model.settings.filter(isPart)
  for (const { setting: id, value } of instead) {
    const setting = parts.find((part) => part.id === id)
    if (setting) choices.set(setting, { ...choices.get(setting)!, given: value, because: '' })
  }
  const losses = parts.flatMap((setting): Loss[] => {
    const { asked, given, because } = choices.get(setting)!
    if (asked === null) return []
    if (asked < setting.min - NEAR || asked > setting.max + NEAR)
      return [{ kind: 'beyond-range', setting, asked, given }]
    return Math.abs(given - asked) > NEAR ? [{ kind: 'rounded', setting, asked, given, because }] : []
  })
  return {
    settings: parts.map((setting) => ({ setting: setting.id, value: choices.get(setting)!.given })),
    losses: [...losses, ...unaskedIn(response, model, assignment)],
    valueOf: valueIn(model, choices),
    bounds: boundsOf(model, response, valueIn(model, choices)),
  }
}
