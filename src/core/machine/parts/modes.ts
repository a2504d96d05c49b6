import type { PartContext } from '@/core/machine/parts/context'
import { fillSpan, minuteOf, WEEK_MIN } from '@/core/rules/week'

const DAY = 0
const NIGHT = 1

export type CompiledModes = {
  /** The mode's bit: 1 by day, 2 by night. */
  readonly step: (memory: Float64Array, inputs: Float64Array, dtS: number) => number
  readonly settle: (memory: Float64Array, inputs: Float64Array) => void
  readonly isNight: (memory: Float64Array) => boolean
}

/** Day and night by light or by the clock; null where a response knows neither. */
export const compileModes = (context: PartContext): CompiledModes | null => byLight(context) ?? byWeek(context)

/** The other mode comes when the light has pointed to it for the delay without a break; at exactly the level it is day; at power-up it is
 *  what the light says. A lost reading changes nothing. */
function byLight({ response: { light }, memory: plan, inputIndex }: PartContext): CompiledModes | null {
  if (!light) return null
  const at = inputIndex(light.input)
  const { level, delayS } = light
  const hasLooked = plan.slot(0, 'mode')
  const mode = plan.slot(DAY, 'mode')
  const otherForS = plan.slot(0, 'mode')
  return {
    step(memory, inputs, dtS) {
      const x = inputs[at]!
      const points = x >= level ? DAY : x < level ? NIGHT : memory[mode]!
      if (memory[hasLooked] === 0) {
        memory[hasLooked] = 1
        memory[mode] = points
      } else if (points === memory[mode]) memory[otherForS] = 0
      else {
        // The time since the last step counts only if the light pointed there already then.
        memory[otherForS] = memory[otherForS] === 0 ? Number.MIN_VALUE : memory[otherForS]! + dtS
        if (memory[otherForS] >= delayS) {
          memory[mode] = points
          memory[otherForS] = 0
        }
      }
      return 1 << memory[mode]!
    },
    settle(memory, inputs) {
      memory[hasLooked] = 1
      memory[mode] = inputs[at]! < level ? NIGHT : DAY
      memory[otherForS] = 0
    },
    isNight: (memory) => memory[mode] === NIGHT,
  }
}

/** Day within its spans, night outside. Without a clock it stays what it was, day at power-up. */
function byWeek({ response: { dayByWeek }, memory: plan, clockIndex }: PartContext): CompiledModes | null {
  if (!dayByWeek) return null
  const mode = plan.slot(DAY, 'mode')
  const modeAt = new Uint8Array(WEEK_MIN).fill(NIGHT)
  for (const span of dayByWeek) fillSpan(modeAt, span, DAY)
  const look = (memory: Float64Array, inputs: Float64Array) => {
    const weekS = inputs[clockIndex]!
    if (weekS >= 0) memory[mode] = modeAt[minuteOf(weekS)]!
  }
  return {
    step(memory, inputs) {
      look(memory, inputs)
      return 1 << memory[mode]!
    },
    settle: look,
    isNight: (memory) => memory[mode] === NIGHT,
  }
}
