import type { Setting } from '@/core/controller/schema'
import {
  formatNumber,
  formatPct,
  formatQuantity,
  formatTime,
  METRIC,
  type UnitPreference,
} from '@/core/quantity/format'

/** A value of a setting with its unit, as the panel would show it. */
export const settingValueText = (
  { quantity, choices, figure, means }: Setting,
  value: number,
  preference: UnitPreference = METRIC,
): string => {
  const choice = choices?.find((candidate) => candidate.value === value)?.shown
  if (figure) return figureText(figure, value * figure.times + figure.plus, preference)
  // A choice that stands for nothing in the response is no figure: its words are all there is.
  if (choice !== undefined && (means === 'nothing' || means === 'unknown')) return choice
  return `${quantityText(quantity, value, preference)}${choice === undefined ? '' : ` (${choice})`}`
}

const figureText = (
  { unit, decimals }: NonNullable<Setting['figure']>,
  figure: number,
  preference: UnitPreference,
): string => [formatNumber(figure, decimals, preference), unit].filter((part) => part !== '').join(' ')

const quantityText = (quantity: Setting['quantity'], value: number, preference: UnitPreference): string =>
  quantity === 'time'
    ? formatTime(value, preference)
    : quantity === 'speed' || quantity === 'ratio'
      ? `${formatPct(value, preference)} %`
      : formatQuantity(value, quantity, preference)

/** One step of a setting: a difference where the setting is a temperature. */
export const settingStepText = (setting: Setting, preference: UnitPreference = METRIC): string =>
  setting.choices
    ? `${setting.choices.length} choices`
    : setting.figure
      ? figureText(setting.figure, Math.abs(setting.step * setting.figure.times), preference)
      : setting.quantity === 'temperature'
        ? formatQuantity(setting.step, 'temperatureDifference', preference)
        : settingValueText(setting, setting.step, preference)
