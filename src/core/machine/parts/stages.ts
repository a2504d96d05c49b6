import type { Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { SAFETY_STOP } from '@/core/machine/parts/overrides'

export type CompiledStages = {
  /** Speed of the variable fan for the demand held, in percent of the whole ladder, and how many fixed fans run. A safety stop has
   *  everything off at once. */
  readonly run: (memory: Float64Array, block: Columns) => void
  readonly settle: (memory: Float64Array, demandPct: number) => void
  /** How many fixed fans run. */
  readonly running: (memory: Float64Array) => number
}

/** A variable fan and fixed ones: it climbs from its floor to 100, then a fixed fan joins and it drops to its floor and climbs again. Null
 *  where there are none. Source: docs/control-laws.md; cases `ctl.staged` and `ctl.stagedHysteresis`. */
export function compileStages({ response, memory: plan }: PartContext): CompiledStages | null {
  const { stages, floor } = response
  if (!stages) return null
  const joins = Float64Array.from(stages.fixed, ({ joinsAtPct }) => joinsAtPct)
  const { offBelowPct, minStageS } = stages
  const floorPct = floor.speedPct
  const idlePct = floor.offAllowed ? 0 : floorPct
  const count = plan.slot(0, 'latches')
  const sinceAt = plan.slot(minStageS, 'latches')

  const joinedAt = (demandPct: number): number => {
    let joined = 0
    while (joined < joins.length && demandPct >= joins[joined]!) joined++
    return joined
  }
  const keptAt = (demandPct: number): number => {
    let kept = 0
    while (kept < joins.length && (demandPct >= joins[kept]! || demandPct > joins[kept]! - offBelowPct)) kept++
    return kept
  }
  const variable = (running: number, demandPct: number): number => {
    if (demandPct <= 0) return running > 0 ? floorPct : idlePct
    const low = running === 0 ? 0 : joins[running - 1]!
    const high = running < joins.length ? joins[running]! : 100
    const share = (demandPct - low) / (high - low)
    return share <= 0 ? floorPct : share >= 1 ? 100 : floorPct + (100 - floorPct) * share
  }
  return {
    run(memory, { start, end, dtS, heldPct, heldBy, leadPct, running: runs }) {
      let [running, sinceS] = [memory[count]!, memory[sinceAt]!]
      for (let row = start; row < end; row++) {
        if (heldBy[row] === SAFETY_STOP) {
          leadPct[row] = runs[row] = running = 0
          sinceS = minStageS
          continue
        }
        const demandPct = heldPct[row]!
        sinceS += dtS[row]!
        const joined = joinedAt(demandPct)
        const kept = keptAt(demandPct)
        const wanted = joined > running ? joined : kept < running ? kept : running
        if (wanted !== running && sinceS >= minStageS) {
          // With a least time they come and go one by one.
          running = minStageS === 0 ? wanted : running + Math.sign(wanted - running)
          sinceS = 0
        }
        runs[row] = running
        leadPct[row] = variable(running, demandPct)
      }
      memory[count] = running
      memory[sinceAt] = sinceS
    },
    settle(memory, demandPct) {
      memory[count] = joinedAt(demandPct)
      memory[sinceAt] = minStageS
    },
    running: (memory) => memory[count]!,
  }
}
