import { setActionId } from '@/core/controller/dialIn'
import type { Fit } from '@/core/controller/fit'
import { isPart, type ControllerModel, type Setting } from '@/core/controller/schema'
import { valueFor } from '@/core/controller/settingValue'
import { isDone } from '@/core/installation/dialProgress'
import type { DialState } from '@/core/installation/installation'

/** What is to be done with a setting. `note`: nobody knows what it does, so its found value is noted and it is left. */
export type SettingTask = 'change' | 'leave' | 'decide' | 'note' | 'maker'

/** Why a setting is to stand where it is wanted: the response asks for it, nothing of the response speaks of it, the model advises it, somebody
 *  decided it here, nobody knows, or only its maker may touch it. */
export type SettingWhy =
  { readonly code: 'response' | 'decided' | 'unknown' | 'maker' } | { readonly code: 'advice'; readonly why: string }

/** One setting of the panel, with everything that is known of it here. Values in its base unit. */
export type SettingLine = {
  readonly setting: Setting
  /** What the panel showed before; null where nobody noted it. */
  readonly found: number | null
  /** What it is to stand at; null where that is open, or where it stays as it is found. */
  readonly wanted: number | null
  readonly task: SettingTask
  readonly why: SettingWhy
  readonly differsFromDefault: boolean
  /** Ticked off with the value that is wanted now. */
  readonly isEntered: boolean
  /** What it showed when it was read back; null where it was not. */
  readonly readBack: number | null
  /** It was read back as wanted, or as something else; null where it was not, or nothing is wanted of it. */
  readonly isReadBackRight: boolean | null
  /** Why a commissioned value is changed; null where nobody said. */
  readonly reason: string | null
  /** Something is still to be done with it: entered, decided, noted, or given a reason. */
  readonly isOpen: boolean
}

const NEAR = 1e-6
const same = (a: number | null, b: number | null): boolean => a !== null && b !== null && Math.abs(a - b) < NEAR

/** What a setting is wanted at: what the fit put it to, what the model advises, or what was decided here. */
function wantedOf(setting: Setting, { settings }: Pick<Fit, 'settings'>, { decided = [] }: DialState): number | null {
  return valueFor(settings, setting.id) ?? valueFor(decided, setting.id) ?? null
}

function whyOf(setting: Setting, wanted: number | null): SettingWhy {
  if (setting.who === 'maker') return { code: 'maker' }
  if (setting.means === 'unknown') return { code: 'unknown' }
  if (isPart(setting)) return { code: 'response' }
  const { advice } = setting
  return advice && (advice.what !== 'decide' || wanted === null)
    ? { code: 'advice', why: advice.why }
    : { code: 'decided' }
}

function taskOf(setting: Setting, found: number | null, wanted: number | null): SettingTask {
  if (setting.who === 'maker') return 'maker'
  if (setting.means === 'unknown') return 'note'
  if (wanted === null) return setting.advice?.what === 'decide' ? 'decide' : 'leave'
  return same(wanted, found ?? setting.default) ? 'leave' : 'change'
}

/** Every setting of the chosen controller in the order of its panel: purpose, as found, wanted, and what is still to be done. */
export const settingsList = (model: ControllerModel, fit: Pick<Fit, 'settings'>, dial: DialState): SettingLine[] =>
  model.settings.map((setting) => {
    const { id } = setting
    const found = valueFor(dial.present, id) ?? null
    const wanted = wantedOf(setting, fit, dial)
    const task = taskOf(setting, found, wanted)
    const readBack = valueFor(dial.readBack ?? [], id) ?? null
    const reason = dial.reasons?.find((one) => one.setting === id)?.reason ?? null
    const isEntered = isDone({ id: setActionId(id), value: wanted }, dial)
    const isReadBackRight = readBack === null || wanted === null ? null : same(readBack, wanted)
    const needsReason = setting.who === 'commissioned' && task === 'change' && reason === null
    return {
      setting,
      found,
      wanted,
      task,
      why: whyOf(setting, wanted),
      differsFromDefault: !same(wanted ?? found ?? setting.default, setting.default),
      isEntered,
      readBack,
      isReadBackRight,
      reason,
      isOpen:
        needsReason ||
        task === 'decide' ||
        (task === 'note' && found === null) ||
        (task === 'change' && !isEntered) ||
        isReadBackRight === false,
    }
  })

/** Which settings a list shows. */
export const SETTING_FILTERS = ['all', 'open', 'differs', 'unsaved', 'commissioned'] as const
export type SettingFilter = (typeof SETTING_FILTERS)[number]

export const inFilter = (line: SettingLine, filter: SettingFilter): boolean =>
  ({
    all: true,
    open: line.isOpen,
    differs: line.differsFromDefault,
    unsaved: line.task === 'change' && !line.isEntered,
    commissioned: line.setting.who === 'commissioned',
  })[filter]
