import { settingStepText, settingValueText } from '@/core/controller/lossText'
import type { ControllerModel, Setting, SettingValue } from '@/core/controller/schema'
import { METRIC, type UnitPreference } from '@/core/quantity/format'

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

/** How many steps, and which way, from what is on the panel now to what is wanted. */
export function pressesBetween({ step }: Setting, current: number, wanted: number): NonNullable<Action['presses']> {
  const steps = Math.round((wanted - current) / step)
  return { way: steps > 0 ? 'up' : steps < 0 ? 'down' : 'none', count: Math.abs(steps) }
}

/** Marks the names of the panel's keys inside a text. */
export function withKeys(said: string, keys: readonly string[]): ActionPart[] {
  const found = keys
    .flatMap((key) => {
      const at = said.indexOf(`[${key}]`)
      return at < 0 ? [] : [{ key, at }]
    })
    .sort((a, b) => a.at - b.at)[0]
  if (!found) return said ? [{ kind: 'text', text: said }] : []
  const before = said.slice(0, found.at)
  return [
    ...(before ? [{ kind: 'text' as const, text: before }] : []),
    { kind: 'key', text: found.key },
    ...withKeys(said.slice(found.at + found.key.length + 2), keys),
  ]
}

const plural = (count: number, unit: string): string =>
  `${count} ${unit}${count === 1 ? '' : unit.endsWith('h') ? 'es' : 's'}`

function settingAction(
  setting: Setting,
  model: ControllerModel,
  wanted: number,
  current: number,
  preference: UnitPreference,
): Action {
  const { enter } = setting
  const presses = pressesBetween(setting, current, wanted)
  const shown = (value: number) => settingValueText(setting, value, preference)
  const how =
    presses.way === 'none'
      ? `${enter.where}. It already reads ${shown(wanted)}: leave it.`
      : `${enter.where}. ${enter.open}, ${presses.way === 'up' ? enter.up : enter.down} ${plural(presses.count, enter.unit)} (${settingStepText(setting, preference)} each), ${enter.keep}.`
  return {
    id: `set-${setting.id}`,
    kind: 'set',
    title: [
      { kind: 'text', text: `${setting.name}: ` },
      { kind: 'value', text: shown(wanted) },
      { kind: 'text', text: current === wanted ? '' : `, now ${shown(current)}` },
    ],
    how: withKeys(how, model.keys),
    seen: presses.way === 'none' ? `Shows ${shown(wanted)}` : enter.seen,
    danger: false,
    setting,
    value: wanted,
    presses,
  }
}

/** What to do at the controller, in order: prepare, each setting from its present value, then keep, lock and read back.
 *  @param current what the panel shows now; a setting not named has its default */
export function dialIn(
  model: ControllerModel,
  settings: readonly SettingValue[],
  current: readonly SettingValue[] = [],
  preference: UnitPreference = METRIC,
): Action[] {
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
    const wanted = settings.find(({ setting: id }) => id === setting.id)?.value
    if (wanted === undefined) return []
    const now = current.find(({ setting: id }) => id === setting.id)?.value ?? setting.default
    return [settingAction(setting, model, wanted, now, preference)]
  })
  return [...still('prepare', model.prepare), ...set, ...still('finish', model.finish)]
}

export const actionText = (parts: readonly ActionPart[]): string =>
  parts.map(({ kind, text }) => (kind === 'key' ? `[${text}]` : text)).join('')
