import { isMeasured, type CompileContext } from '@/core/response/rules/kind'

type Hold = (memory: Float64Array, inputs: Float64Array, pct: number, dtS: number) => number

/** What must be, whatever was asked. In their order, the strongest last, so that it has the last word: lost sensor, cool-down,
 *  safety stop, isolated. Null where there is none. */
export function compileHolds({ response, memory: plan, inputIndex }: CompileContext): Hold | null {
  const { inputs, coolDown, holds } = response
  const lost = inputs.flatMap((input, place) =>
    isMeasured(input) && input.lostPct !== undefined ? [{ place, pct: input.lostPct }] : [],
  )
  const steps: Hold[] = []
  if (lost.length > 0)
    steps.push((_memory, now, pct) => {
      let held = pct
      let isLost = false
      for (let index = 0; index < lost.length; index++) {
        const { place, pct: lostPct } = lost[index]!
        if (!Number.isNaN(now[place]!)) continue
        held = isLost ? Math.max(held, lostPct) : lostPct
        isLost = true
      }
      return held
    })
  if (coolDown) {
    const at = inputIndex(coolDown.input)
    const leftS = plan.slot(0)
    const gaveHeat = plan.slot(0)
    steps.push((memory, now, pct, dtS) => {
      const givesHeat = now[at]! >= 0.5
      memory[leftS] = givesHeat ? 0 : memory[gaveHeat] === 1 ? coolDown.holdS : Math.max(0, memory[leftS]! - dtS)
      memory[gaveHeat] = givesHeat ? 1 : 0
      return (givesHeat || memory[leftS] > 0) && pct < coolDown.speedPct ? coolDown.speedPct : pct
    })
  }
  for (const id of [holds?.safetyStop, holds?.isolated]) {
    if (id === undefined) continue
    const at = inputIndex(id)
    steps.push((_memory, now, pct) => (now[at]! >= 0.5 ? 0 : pct))
  }
  if (steps.length === 0) return null
  return (memory, now, pct, dtS) => {
    let held = pct
    for (let index = 0; index < steps.length; index++) held = steps[index]!(memory, now, held, dtS)
    return held
  }
}
