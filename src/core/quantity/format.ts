import { fromBase, quantitySpec, type Quantity, type Unit } from '@/core/quantity/units'

export const TEMPERATURE_CHOICES = ['C', 'F'] as const
export const FLOW_CHOICES = ['l/s', 'm³/h', 'cfm'] as const

/** How a person wants figures shown. */
export type UnitPreference = {
  readonly temperature: (typeof TEMPERATURE_CHOICES)[number]
  readonly flow: (typeof FLOW_CHOICES)[number]
}

export const METRIC: UnitPreference = { temperature: 'C', flow: 'l/s' }

/** The unit in which this person reads `quantity`. */
export function preferredUnit(quantity: Quantity, preference: UnitPreference): Unit {
  const { units } = quantitySpec(quantity)
  const bySymbol = (symbol: string) => units.find((unit) => unit.symbol === symbol) ?? units[0]
  if (quantity === 'temperature') return bySymbol(preference.temperature === 'F' ? '°F' : '°C')
  if (quantity === 'temperatureDifference') return bySymbol(preference.temperature === 'F' ? 'F°' : 'K')
  if (quantity === 'flow') return bySymbol(preference.flow)
  return units[0]
}

/** A number with a true minus, fixed decimals, and no negative zero. NaN shows as a dash: no such figure reaches a screen. */
export function formatNumber(x: number, decimals: number): string {
  if (!Number.isFinite(x)) return '–'
  const text = x.toFixed(decimals)
  return Number(text) === 0 ? (0).toFixed(decimals) : text.replace('-', '−')
}

/** The number itself in the unit this person reads, for charts. */
export const inPreferredUnit = (base: number, quantity: Quantity, preference: UnitPreference): number =>
  fromBase(preferredUnit(quantity, preference), base)

export const formatFigure = (
  base: number,
  quantity: Quantity,
  preference: UnitPreference,
  decimals?: number,
): string => {
  const unit = preferredUnit(quantity, preference)
  // Things that are counted have no hundredths.
  const counted = quantity === 'count' && Number.isInteger(base) ? 0 : unit.decimals
  return formatNumber(fromBase(unit, base), decimals ?? counted)
}

/** Figure and unit, "18.3 °C". */
export const formatQuantity = (
  base: number,
  quantity: Quantity,
  preference: UnitPreference = METRIC,
  decimals?: number,
): string =>
  quantity === 'contact'
    ? base >= 0.5
      ? 'on'
      : 'off'
    : `${formatFigure(base, quantity, preference, decimals)} ${preferredUnit(quantity, preference).symbol}`.trimEnd()

/** A figure at an axis: a decimal only where there is one. */
export const formatTick = (x: number): string => formatNumber(x, Number.isInteger(x) ? 0 : 1)

/** A percent with no more decimals than it needs: "65", "12.5", "33.3". */
export const formatPct = (pct: number): string => formatNumber(pct, Number.isInteger(Number(pct.toFixed(1))) ? 0 : 1)

/** A length of time in the unit a person would say: "4 s", "15 min", "1.5 h". */
export function formatTime(timeS: number): string {
  const say = (x: number, unit: string) => `${formatNumber(x, Number.isInteger(Number(x.toFixed(1))) ? 0 : 1)} ${unit}`
  if (timeS < 120) return say(timeS, 's')
  if (timeS < 7200) return say(timeS / 60, 'min')
  return timeS < 172_800 ? say(timeS / 3600, 'h') : say(timeS / 86_400, 'days')
}
