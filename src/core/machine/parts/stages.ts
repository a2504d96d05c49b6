import type { PartContext } from '@/core/machine/parts/context'

export type CompiledStages = {
  /** Speed of the variable fan for a demand in percent of the whole ladder. Changes how many fixed fans run. */
  readonly step: (memory: Float64Array, demandPct: number, dtS: number) => number
  readonly settle: (memory: Float64Array, demandPct: number) => void
  /** Everything off at once. */
  readonly stop: (memory: Float64Array) => void
  /** How many fixed fans run. */
  readonly running: (memory: Float64Array) => number
}

/** A variable fan and fixed ones: it climbs from its floor to 100, then a fixed fan joins and it drops to its floor and climbs again. Null
 *  where there are none. Source: trade.md section 2 (livestock); cases `ctl.staged` and `ctl.stagedHysteresis`. */
export function compileStages({ response, memory: plan }: PartContext): CompiledStages | null {
  const { stages, floor } = response
  if (!stages) return null
  const joins = Float64Array.from(stages.fixed, ({ joinsAtPct }) => joinsAtPct)
  const { offBelowPct, minStageS } = stages
  const floorPct = floor.speedPct
  const restPct = floor.offAllowed ? 0 : floorPct
  const count = plan.slot(0, 'latches')
  const sinceS = plan.slot(minStageS, 'latches')

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
    if (demandPct <= 0) return running > 0 ? floorPct : restPct
    const low = running === 0 ? 0 : joins[running - 1]!
    const high = running < joins.length ? joins[running]! : 100
    const share = (demandPct - low) / (high - low)
    return share <= 0 ? floorPct : share >= 1 ? 100 : floorPct + (100 - floorPct) * share
  }
  return {
    step(memory, demandPct, dtS) {
      memory[sinceS]! += dtS
      const running = memory[count]!
      const joined = joinedAt(demandPct)
      const kept = keptAt(demandPct)
      const wanted = joined > running ? joined : kept < running ? kept : running
      if (wanted !== running && memory[sinceS]! >= minStageS) {
        // With a least time they come and go one by one.
        memory[count] = minStageS === 0 ? wanted : running + Math.sign(wanted - running)
        memory[sinceS] = 0
      }
      return variable(memory[count]!, demandPct)
    },
    settle(memory, demandPct) {
      memory[count] = joinedAt(demandPct)
      memory[sinceS] = minStageS
    },
    stop(memory) {
      memory[count] = 0
      memory[sinceS] = minStageS
    },
    running: (memory) => memory[count]!,
  }
}
