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

/** The values a setting can have around `wanted`: the nearest, and two either side. */
export function valuesNear(setting: Setting, wanted: number): number[] {
  const { min, step, choices } = setting
  if (choices)
    return choices
      .map(({ value }) => value)
      .sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))
      .slice(0, 5)
  const middle = Math.round((wanted - min) / step)
  return [middle, middle - 1, middle + 1, middle - 2, middle + 2]
    .filter((steps) => steps >= 0 && steps <= lastStep(setting))
    .map((steps) => exact(min + steps * step))
}
