import { purposeOf } from '@/core/controller/purposes'
import { settingValueText } from '@/core/controller/settingText'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { settingsList } from '@/core/installation/settingsList'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { powerText, settingWhyText, TASK_WORDS, WHO_WORDS, writtenText } from '@/core/sentences/settingWords'

export const SETTING_HEADS = [
  'setting',
  'purpose',
  'where',
  'as found',
  'wanted',
  'maker’s',
  'task',
  'why',
  'who',
  'written',
  'power',
] as const

/** Every setting of the chosen controller, a row each under `SETTING_HEADS`; null where no controller is chosen. */
export function settingsTable(installation: Installation, preference: UnitPreference = METRIC): string[][] | null {
  const { controller } = installation.kit
  const { fit } = derive(installation)
  if (!controller || !fit) return null
  return settingsList(controller, fit, installation.dial).map(({ setting, found, wanted, task, why }) => [
    setting.name,
    purposeOf(setting),
    setting.enter.where,
    found === null ? '' : settingValueText(setting, found, preference),
    wanted === null ? '' : settingValueText(setting, wanted, preference),
    settingValueText(setting, setting.default, preference),
    TASK_WORDS[task],
    settingWhyText(why),
    WHO_WORDS[setting.who ?? 'user'],
    writtenText(setting),
    powerText(setting),
  ])
}
