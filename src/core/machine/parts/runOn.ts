import type { PartContext } from '@/core/machine/parts/context'

/** When everything stops asking, the last running speed (or a set one) for a time; a new ask cancels it. Returns that speed, 0 for none. */
export function compileRunOn({
  response,
  memory: plan,
}: PartContext): ((memory: Float64Array, isAsked: boolean, askedPct: number, dtS: number) => number) | null {
  const { runOn } = response
  if (!runOn) return null
  const lastPct = plan.slot(0, 'timers')
  const leftS = plan.slot(0, 'timers')
  const wasAsked = plan.slot(0, 'timers')
  return (memory, isAsked, askedPct, dtS) => {
    if (isAsked) {
      memory[lastPct] = askedPct
      memory[leftS] = 0
    } else if (memory[wasAsked] === 1) memory[leftS] = runOn.holdS
    else memory[leftS] = Math.max(0, memory[leftS]! - dtS)
    memory[wasAsked] = isAsked ? 1 : 0
    return memory[leftS] > 0 ? (runOn.speedPct ?? memory[lastPct]!) : 0
  }
}
