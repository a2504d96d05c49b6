import type { Setting } from '@/core/controller/schema'

const ON_STEP = 1e-6

const exact = (x: number): number => Number(x.toFixed(6))
const lastStep = ({ min, max, step }: Setting): number => Math.floor((max - min) / step + ON_STEP)

/** The value nearest to `wanted` that the setting can have, on the side asked for, and inside its range. */
export function nearestValue(setting: Setting, wanted: number, towards: 'up' | 'down' | 'nearest'): number {
  const { min, step, choices } = setting
  if (choices) {
    const values = choices.map(({ value }) => value).sort((a, b) => a - b)
    const above = values.find((value) => value >= wanted - ON_STEP) ?? values[values.length - 1]!
    const below = values.findLast((value) => value <= wanted + ON_STEP) ?? values[0]!
    if (towards !== 'nearest') return towards === 'up' ? above : below
    return wanted - below < above - wanted ? below : above
  }
  const steps = (wanted - min) / step
  const whole =
    towards === 'up' ? Math.ceil(steps - ON_STEP) : towards === 'down' ? Math.floor(steps + ON_STEP) : Math.round(steps)
  return exact(min + Math.min(Math.max(whole, 0), lastStep(setting)) * step)
}

/** Every value a setting can have, ascending. */
export const valuesOf = (setting: Setting): number[] =>
  setting.choices
    ? setting.choices.map(({ value }) => value)
    : Array.from({ length: lastStep(setting) + 1 }, (_, steps) => exact(setting.min + steps * setting.step))
