import type { PartContext } from '@/core/machine/parts/context'
import type { Block } from '@/core/rules/block'
import { fillSpan, minuteOf, WEEK_MIN } from '@/core/rules/week'

const DAY = 0
const NIGHT = 1
/** Night among the modes of a row. */
export const NIGHT_BIT = 1 << NIGHT

export type CompiledModes = {
  /** Fills in the mode of each row: 1 by day, 2 by night. */
  readonly run: (memory: Float64Array, block: Block) => void
  readonly settle: (memory: Float64Array, inputs: Float64Array) => void
  readonly isNight: (memory: Float64Array) => boolean
  /** How long until the other mode comes if the light stays as it is, s; null where it does not point there. */
  readonly leftS: (memory: Float64Array) => number | null
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
  const modeAt = plan.slot(DAY, 'mode')
  const otherForS = plan.slot(0, 'mode')
  return {
    run(memory, block) {
      const { start, end, inputs, dtS, modes } = block
      const xs = inputs[at]!
      let mode = memory[modeAt]!
      let seen = 0
      let otherS = memory[otherForS]!
      let isFirst = memory[hasLooked] === 0
      for (let row = start; row < end; row++) {
        const x = xs[row]!
        const points = x >= level ? DAY : x < level ? NIGHT : mode
        if (isFirst) {
          isFirst = false
          mode = points
        } else if (points === mode) otherS = 0
        else {
          // The time since the last step counts only if the light pointed there already then.
          otherS = otherS === 0 ? Number.MIN_VALUE : otherS + dtS[row]!
          if (otherS >= delayS) {
            mode = points
            otherS = 0
          }
        }
        modes[row] = 1 << mode
        seen |= 1 << mode
      }
      memory[hasLooked] = 1
      memory[modeAt] = mode
      block.modesSeen = seen
      memory[otherForS] = otherS
    },
    settle(memory, inputs) {
      memory[hasLooked] = 1
      memory[modeAt] = inputs[at]! < level ? NIGHT : DAY
      memory[otherForS] = 0
    },
    isNight: (memory) => memory[modeAt] === NIGHT,
    leftS: (memory) => (memory[otherForS]! > 0 ? delayS - memory[otherForS]! : null),
  }
}

/** Day within its spans, night outside. Without a clock it stays what it was, day at power-up. */
function byWeek({ response: { dayByWeek }, memory: plan, clockIndex }: PartContext): CompiledModes | null {
  if (!dayByWeek) return null
  const modeAt = plan.slot(DAY, 'mode')
  const modeOfMinute = new Uint8Array(WEEK_MIN).fill(NIGHT)
  for (const span of dayByWeek) fillSpan(modeOfMinute, span, DAY)
  const look = (weekS: number, before: number): number => (weekS >= 0 ? modeOfMinute[minuteOf(weekS)]! : before)
  return {
    run(memory, block) {
      const { start, end, inputs, modes } = block
      const clock = inputs[clockIndex]!
      let mode = memory[modeAt]!
      let seen = 0
      for (let row = start; row < end; row++) {
        mode = look(clock[row]!, mode)
        modes[row] = 1 << mode
        seen |= 1 << mode
      }
      memory[modeAt] = mode
      block.modesSeen = seen
    },
    settle(memory, inputs) {
      memory[modeAt] = look(inputs[clockIndex]!, memory[modeAt]!)
    },
    isNight: (memory) => memory[modeAt] === NIGHT,
    leftS: () => null,
  }
}
