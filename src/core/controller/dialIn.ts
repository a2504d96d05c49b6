import type { Fit } from '@/core/controller/fit'
import type { ControllerModel, Setting, SettingValue, WeekSlot } from '@/core/controller/schema'
import { settingStepText, settingValueText } from '@/core/controller/settingText'
import { presentValue, valueFor } from '@/core/controller/settingValue'
import { setPointFigure } from '@/core/controller/setPointFigure'
import { assign } from '@/core/controller/wanted'
import { formatPct, formatQuantity, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import type { WeekSpan } from '@/core/rules/weekSpan'
import { inputQuantity } from '@/core/rules/input'
import { periodText } from '@/core/rules/week'

/** A piece of an action's text: plain, a key of the panel, or a figure to enter. */
export type ActionPart = { readonly kind: 'text' | 'key' | 'value'; readonly text: string }

export type Action = {
  readonly id: string
  readonly kind: 'prepare' | 'set' | 'finish'
  readonly title: readonly ActionPart[]
  /** Where it stands and what to press, counted from the value it has now. Empty for what is not pressed. */
  readonly how: readonly ActionPart[]
  readonly seen: string
  readonly danger: boolean
  readonly setting: Setting | null
  readonly value: number | null
  readonly presses: { readonly way: 'up' | 'down' | 'none'; readonly count: number } | null
}

/** How many steps, and which way, from what is on the panel now to what is wanted; from choice to choice where it has only those. */
export function pressesBetween(
  { step, choices }: Setting,
  current: number,
  wanted: number,
): NonNullable<Action['presses']> {
  const place = (value: number) => choices!.findIndex((choice) => choice.value === value)
  const steps = choices ? place(wanted) - place(current) : Math.round((wanted - current) / step)
  return { way: steps > 0 ? 'up' : steps < 0 ? 'down' : 'none', count: Math.abs(steps) }
}

/** Marks the names of the panel's keys inside a text. */
export function withKeys(wording: string, keys: readonly string[]): ActionPart[] {
  const found = keys
    .flatMap((key) => {
      const at = wording.indexOf(`[${key}]`)
      return at < 0 ? [] : [{ key, at }]
    })
    .sort((a, b) => a.at - b.at)[0]
  if (!found) return wording ? [{ kind: 'text', text: wording }] : []
  const before = wording.slice(0, found.at)
  return [
    ...(before ? [{ kind: 'text' as const, text: before }] : []),
    { kind: 'key', text: found.key },
    ...withKeys(wording.slice(found.at + found.key.length + 2), keys),
  ]
}

const plural = (count: number, unit: string): string =>
  `${count} ${unit}${count === 1 ? '' : /(h|s)$/.test(unit) ? 'es' : 's'}`

function howText(
  setting: Setting,
  wanted: number,
  presses: NonNullable<Action['presses']>,
  isReset: boolean,
  preference: UnitPreference,
) {
  const { enter, choices } = setting
  const shown = settingValueText(setting, wanted, preference)
  if (presses.way === 'none')
    return isReset
      ? `${enter.where}. As the maker leaves it: see that it reads ${shown}.`
      : `${enter.where}. It already reads ${shown}: leave it.`
  if (enter.way === 'choose') {
    const choice = choices?.find(({ value }) => value === wanted)?.shown ?? shown
    return `${enter.where}. ${enter.open}, ${enter.up} “${choice}”, ${enter.keep}.`
  }
  const each = choices ? '' : ` (${settingStepText(setting, preference)} each)`
  return `${enter.where}. ${enter.open}, ${presses.way === 'up' ? enter.up : enter.down} ${plural(presses.count, enter.unit)}${each}, ${enter.keep}.`
}

/** The id of the action that puts a setting to its value. */
export const setActionId = (settingId: string): string => `set-${settingId}`

function settingAction(
  setting: Setting,
  model: ControllerModel,
  wanted: number,
  current: number,
  isReset: boolean,
  preference: UnitPreference,
): Action {
  const { enter } = setting
  const presses = pressesBetween(setting, current, wanted)
  const shown = (value: number) => settingValueText(setting, value, preference)
  const how = howText(setting, wanted, presses, isReset, preference)
  return {
    id: setActionId(setting.id),
    kind: 'set',
    title: [
      { kind: 'text', text: `${setting.name}: ` },
      { kind: 'value', text: shown(wanted) },
      { kind: 'text', text: current === wanted ? '' : `, ${isReset ? 'new' : 'now'} ${shown(current)}` },
    ],
    how: withKeys(how, model.keys),
    seen: presses.way === 'none' ? `Shows ${shown(wanted)}` : enter.seen,
    danger: false,
    setting,
    value: wanted,
    presses,
  }
}

type Entered = { readonly rule: string; readonly span: WeekSpan; readonly text: string; readonly figure: number }

/** What stands in a calendar: periods with their speed, or set points of the rule that bears them. */
function enteredIn({ of }: WeekSlot, given: Response, model: ControllerModel, preference: UnitPreference): Entered[] {
  const { rules, inputs } = given
  if (of === 'speed')
    return rules.flatMap((rule) =>
      'periods' in rule
        ? rule.periods.map((span) => ({
            rule: rule.id,
            span,
            text: `${formatPct(span.speedPct, preference)} %`,
            figure: span.speedPct,
          }))
        : [],
    )
  const assignment = assign(given, model)
  return rules.flatMap((rule) => {
    if (!('setPoints' in rule) || !rule.setPoints) return []
    const { setting, offset } = setPointFigure(rule, model, assignment)
    const quantity = inputQuantity(inputs.find(({ id }) => id === rule.input))
    return rule.setPoints.map((span) => {
      const figure = Number((span.at + offset).toFixed(6))
      const shown = setting
        ? settingValueText(setting, figure, preference)
        : formatQuantity(figure, quantity, preference)
      return { rule: rule.id, span, text: shown, figure }
    })
  })
}

/** A number that is another one as soon as anything of the period is: what was ticked off counts only for what it was. */
const periodNumber = ({ span: { days, startMin, endMin }, figure }: Entered): number =>
  ((days.reduce((bits, day) => bits | (1 << day), 0) * 1440 + startMin) * 1441 + endMin) * 1000 +
  Math.round(figure * 10)

function weekActions(slot: WeekSlot, model: ControllerModel, given: Response, preference: UnitPreference): Action[] {
  const { enter } = slot
  return enteredIn(slot, given, model, preference).map((entered, index) => ({
    id: `period-${entered.rule}-${index + 1}`,
    kind: 'set',
    title: [
      { kind: 'text', text: `Period ${index + 1}, ${periodText(entered.span)}: ` },
      { kind: 'value', text: entered.text },
    ],
    how: withKeys(`${enter.where}. ${enter.open}, ${enter.up}, ${enter.keep}.`, model.keys),
    seen: enter.seen,
    danger: false,
    setting: null,
    value: periodNumber(entered),
    presses: null,
  }))
}

export type OnPanel = {
  /** What the panel shows now; a setting not named has its default. `reset`: it was put back to what its maker leaves it at. */
  readonly present: readonly SettingValue[] | 'reset'
  /** Values that were decided here of settings that stand for nothing in the response. */
  readonly decided?: readonly SettingValue[] | undefined
}

/** What to do at the controller, in order: prepare, each setting from its present value, its calendar, then keep, lock and read back. */
export function dialIn(
  model: ControllerModel,
  { settings, given }: Pick<Fit, 'settings' | 'given'>,
  { present, decided = [] }: OnPanel = { present: [] },
  preference: UnitPreference = METRIC,
): Action[] {
  const isReset = present === 'reset'
  const shows = isReset ? [] : present
  const still = (kind: 'prepare' | 'finish', steps: ControllerModel['prepare']) =>
    steps.map((step, index): Action => ({
      id: `${kind}-${index + 1}`,
      kind,
      title: withKeys(step.text, model.keys),
      how: [],
      seen: step.seen,
      danger: step.danger ?? false,
      setting: null,
      value: null,
      presses: null,
    }))
  const set = model.settings.flatMap((setting) => {
    const wanted = valueFor([...settings, ...decided], setting.id)
    if (wanted === undefined || setting.who === 'maker') return []
    return [settingAction(setting, model, wanted, presentValue(setting, shows), isReset, preference)]
  })
  const calendar = (model.weeks ?? []).flatMap((slot) => weekActions(slot, model, given, preference))
  return [...still('prepare', model.prepare), ...set, ...calendar, ...still('finish', model.finish)]
}

export const actionText = (parts: readonly ActionPart[]): string =>
  parts.map(({ kind, text }) => (kind === 'key' ? `[${text}]` : text)).join('')
