import type { CompileContext } from '@/core/response/rules/kind'

const DAY = 0
const NIGHT = 1

export type CompiledLight = {
  /** The mode's bit: 1 by day, 2 by night. */
  readonly step: (memory: Float64Array, inputs: Float64Array, dtS: number) => number
  readonly settle: (memory: Float64Array, inputs: Float64Array) => void
  readonly isNight: (memory: Float64Array) => boolean
}

/** Day and night by light. The other mode comes when the light has pointed to it for the delay without a break; at exactly the level it
 *  is day; at power-up it is what the light says. A lost reading changes nothing. */
export function compileLight({ response, memory: plan, inputIndex }: CompileContext): CompiledLight | null {
  const { light } = response
  if (!light) return null
  const at = inputIndex(light.input)
  const { level, delayS } = light
  const hasLooked = plan.slot(0)
  const mode = plan.slot(DAY)
  const otherForS = plan.slot(0)
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
