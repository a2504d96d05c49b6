import type { Setting } from '@/core/controller/schema'
import { formatPct, formatQuantity, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'

/** A value of a setting with its unit, as the panel would show it. */
export const settingValueText = (
  { quantity, choices }: Setting,
  value: number,
  preference: UnitPreference = METRIC,
): string => `${quantityText(quantity, value, preference)}${shownChoice(choices, value)}`

const shownChoice = (choices: Setting['choices'], value: number): string => {
  const choice = choices?.find((candidate) => candidate.value === value)
  return choice ? ` (${choice.shown})` : ''
}

const quantityText = (quantity: Setting['quantity'], value: number, preference: UnitPreference): string =>
  quantity === 'time'
    ? formatTime(value)
    : quantity === 'speed' || quantity === 'ratio'
      ? `${formatPct(value)} %`
      : formatQuantity(value, quantity, preference)

/** One step of a setting: a difference where the setting is a temperature. */
export const settingStepText = (setting: Setting, preference: UnitPreference = METRIC): string =>
  setting.choices
    ? `${setting.choices.length} choices`
    : setting.quantity === 'temperature'
      ? formatQuantity(setting.step, 'temperatureDifference', preference)
      : settingValueText(setting, setting.step, preference)
