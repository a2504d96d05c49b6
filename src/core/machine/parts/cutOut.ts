import type { Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'

export type CompiledCutOut = {
  readonly run: (memory: Float64Array, block: Columns) => void
  readonly settle: (memory: Float64Array) => void
  readonly isCut: (memory: Float64Array) => boolean
}

/** A low-speed cut-out: what is asked below its point has the fan stand until the speed of coming back is asked; holds stand above it. Null
 *  where there is none. Common practice, no source. */
export function compileCutOut({ response: { cutOut }, memory: plan }: PartContext): CompiledCutOut | null {
  if (!cutOut) return null
  const { offBelowPct, backAtPct } = cutOut
  const runsAt = plan.slot(0, 'latches')
  return {
    run(memory, { start, end, limitedPct }) {
      let runs = memory[runsAt] === 1
      for (let row = start; row < end; row++) {
        const pct = limitedPct[row]!
        runs = runs ? pct >= offBelowPct : pct >= backAtPct
        if (!runs) limitedPct[row] = 0
      }
      memory[runsAt] = runs ? 1 : 0
    },
    settle(memory) {
      memory[runsAt] = 0
    },
    isCut: (memory) => memory[runsAt] === 0,
  }
}
