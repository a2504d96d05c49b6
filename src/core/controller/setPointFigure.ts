import type { ControllerModel, DifferentialSlot, Meaning, PartSetting } from '@/core/controller/schema'
import { settingOf } from '@/core/controller/settingOf'
import { slotKind } from '@/core/controller/slots/table'
import type { Assignment } from '@/core/controller/wanted'
import { asConvention } from '@/core/response/conventions'
import type { Rule } from '@/core/rules/table'

type SetPointFigure = {
  /** The setting whose steps and range the calendar has too; undefined where the model has none. */
  readonly setting: PartSetting | undefined
  /** Calendar figure minus the point at which the rule comes on (a ramp: starts), in the unit of its input. */
  readonly offset: number
}

/** What a calendar of set points is told so that a rule comes on at a point. On a controller that goes off at its set point, heating on at
 *  17 and off at 18 °C is “18”. Source: docs/control-laws.md, conventions of set points. */
export function setPointFigure(rule: Rule, model: ControllerModel, { inSlots }: Assignment): SetPointFigure {
  const place = (inSlots.get(rule.kind) ?? []).findIndex((held) => held?.id === rule.id)
  const settingFor = (means: Meaning) => settingOf(model, means, place + 1)
  if (!('offAt' in rule)) return { setting: settingFor('ramp.startAt'), offset: 0 }
  const setting = settingFor('differential.setPoint') ?? settingFor('differential.onAt')
  const slot = slotKind(rule.kind).slots(model)[place] as DifferentialSlot | undefined
  if (!slot || setting?.means === 'differential.onAt') return { setting, offset: 0 }
  return { setting, offset: asConvention(slot.convention, slot.action, rule).setPoint - rule.onAt }
}
