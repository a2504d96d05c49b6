import type { Columns } from '@/core/machine/columns'
import { compileCondition } from '@/core/machine/parts/conditions'
import type { PartContext } from '@/core/machine/parts/context'

export type CompiledStepUps = {
  readonly run: (memory: Float64Array, block: Columns) => void
  readonly settle: (memory: Float64Array) => void
  /** How many speeds more it was in the last row. */
  readonly by: (memory: Float64Array) => number
}

/** The named speed that stands `by` above what is asked, the highest where there are not so many. What is asked between two counts as the lower:
 *  the speed it has reached. With nothing asked the first is one up. */
export function speedUp(speedsPct: readonly number[], askedPct: number, by: number): number {
  let reached = 0
  while (reached < speedsPct.length && speedsPct[reached]! <= askedPct + 1e-9) reached++
  const up = speedsPct[Math.min(reached + by, speedsPct.length) - 1] ?? askedPct
  return Math.max(up, askedPct)
}

/** So many named speeds more while something stands. Of several the most counts. Null where there are none. Common practice, no source. */
export function compileStepUps(context: PartContext): CompiledStepUps | null {
  const { stepUps = [], speeds = [] } = context.response
  if (stepUps.length === 0) return null
  const remembers: number[] = []
  const lastAt = context.memory.slot(0)
  const speedsPct = speeds.map(({ pct }) => pct)
  const compiled = stepUps.map(({ onlyWhile, by }) => ({
    marks: onlyWhile.map((condition) => compileCondition(condition, context, [], remembers)),
    by,
  }))
  return {
    run(memory, block) {
      const { start, end, askedPct, bars, reasons } = block
      reasons.fill(0, start, end)
      for (const { marks, by } of compiled) {
        // A row stands where as many conditions do as there are: each is looked at, whatever the others are.
        const stands = block.allowed
        stands.fill(1, start, end)
        for (const mark of marks) {
          bars.fill(0, start, end)
          mark(memory, block, bars)
          for (let row = start; row < end; row++) if (bars[row] === 0) stands[row] = 0
        }
        for (let row = start; row < end; row++) if (stands[row] === 1 && reasons[row]! < by) reasons[row] = by
      }
      memory[lastAt] = reasons[end - 1]!
      for (let row = start; row < end; row++)
        if (reasons[row]! > 0) askedPct[row] = speedUp(speedsPct, askedPct[row]!, reasons[row]!)
    },
    settle(memory) {
      for (const slot of remembers) memory[slot] = 0
    },
    by: (memory) => memory[lastAt]!,
  }
}
