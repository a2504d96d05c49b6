import type { Columns } from '@/core/machine/columns'
import { compileCondition } from '@/core/machine/parts/conditions'
import type { PartContext } from '@/core/machine/parts/context'
import { STOPS } from '@/core/machine/parts/overrides'
import { airShares } from '@/core/response/airShares'
import type { Response } from '@/core/response/schema'

export type CompiledStages = {
  /** Speed of the variable fan for the demand held, in percent of the whole ladder, and how many fixed fans run. What stops the fans has
   *  everything off at once. */
  readonly run: (memory: Float64Array, block: Columns) => void
  /** As if the first row of the block had stood for long. */
  readonly settle: (memory: Float64Array, block: Columns) => void
  /** How many fixed fans run. */
  readonly running: (memory: Float64Array) => number
  /** How long until the next fan may come or go, s; 0 where one may now. */
  readonly waitS: (memory: Float64Array) => number
}

/** How many fixed fans are wanted in a row, with so many running. */
type Wanted = (row: number, demandPct: number, running: number) => number
type Joins = {
  /** Looks at the rows of a block before they are gone through. */
  readonly look: (memory: Float64Array, block: Columns) => void
  readonly wanted: Wanted
  readonly variable: (running: number, demandPct: number) => number
  readonly remembers: readonly number[]
}

/** The floor while it runs, and what it does with nothing asked. */
const floorsOf = ({ floor }: Response) => ({ floorPct: floor.speedPct, idlePct: floor.offAllowed ? 0 : floor.speedPct })

/** Fans join by the demand, in percent of the fans or of the air of the whole ladder. */
function byDemand({ response }: PartContext): Joins {
  const { stages } = response
  const { fixed, offBelowPct, percentOf } = stages!
  const joins = Float64Array.from(fixed, ({ joinsAtPct }) => joinsAtPct)
  const { floorPct, idlePct } = floorsOf(response)
  const shares = percentOf === 'air' ? airShares(stages!) : null
  return {
    look() {},
    remembers: [],
    wanted(_row, demandPct, running) {
      let joined = 0
      while (joined < joins.length && demandPct >= joins[joined]!) joined++
      if (joined > running) return joined
      let kept = 0
      while (kept < joins.length && (demandPct >= joins[kept]! || demandPct > joins[kept]! - offBelowPct)) kept++
      return kept < running ? kept : running
    },
    variable(running, demandPct) {
      if (demandPct <= 0) return running > 0 ? floorPct : idlePct
      if (shares) {
        // What the fixed fans leave of the air asked for.
        const pct = ((demandPct - shares.runningPct[running]!) / shares.leadPct) * 100
        return pct <= floorPct ? floorPct : pct >= 100 ? 100 : pct
      }
      const low = running === 0 ? 0 : joins[running - 1]!
      const high = running < joins.length ? joins[running]! : 100
      const share = (demandPct - low) / (high - low)
      return share <= 0 ? floorPct : share >= 1 ? 100 : floorPct + (100 - floorPct) * share
    },
  }
}

/** Fans join by a reading each, points rising; the demand is of the variable fan alone. */
function byReading(context: PartContext): Joins {
  const { fixed } = context.response.stages!
  const { floorPct, idlePct } = floorsOf(context.response)
  const remembers: number[] = []
  const marks = fixed.map(({ joinsWhile }) => compileCondition(joinsWhile!, context, [], remembers))
  let counts = new Uint8Array(0)
  return {
    remembers,
    look(memory, block) {
      const { start, end, bars, reasons } = block
      if (counts.length < block.length) counts = new Uint8Array(block.length)
      reasons.fill(1, start, end)
      counts.fill(0, start, end)
      for (const mark of marks) {
        bars.fill(0, start, end)
        mark(memory, block, bars)
        for (let row = start; row < end; row++) {
          if (bars[row] === 0) reasons[row] = 0
          counts[row]! += reasons[row]!
        }
      }
    },
    wanted: (row) => counts[row]!,
    variable: (_running, demandPct) => (demandPct <= 0 ? idlePct : Math.min(100, Math.max(floorPct, demandPct))),
  }
}

/** A variable fan and fixed ones: it climbs from its floor to 100, then a fixed fan joins and it drops to its floor and climbs again. Null
 *  where there are none. Source: docs/control-laws.md; cases `ctl.staged` and `ctl.stagedHysteresis`. */
export function compileStages(context: PartContext): CompiledStages | null {
  const { stages } = context.response
  if (!stages) return null
  const { minStageS } = stages
  const { look, wanted, variable, remembers } = stages.fixed[0]?.joinsWhile ? byReading(context) : byDemand(context)
  const count = context.memory.slot(0, 'latches')
  const sinceAt = context.memory.slot(minStageS, 'latches')
  return {
    run(memory, block) {
      const { start, end, dtS, heldPct, heldBy, leadPct, running: runs } = block
      let [running, sinceS] = [memory[count]!, memory[sinceAt]!]
      look(memory, block)
      for (let row = start; row < end; row++) {
        if (heldBy[row]! >= STOPS) {
          leadPct[row] = runs[row] = running = 0
          sinceS = minStageS
          continue
        }
        const demandPct = heldPct[row]!
        sinceS += dtS[row]!
        const wants = wanted(row, demandPct, running)
        if (wants !== running && sinceS >= minStageS) {
          // With a least time they come and go one by one.
          running = minStageS === 0 ? wants : running + Math.sign(wants - running)
          sinceS = 0
        }
        runs[row] = running
        leadPct[row] = variable(running, demandPct)
      }
      memory[count] = running
      memory[sinceAt] = sinceS
    },
    settle(memory, block) {
      for (const slot of remembers) memory[slot] = 0
      look(memory, block)
      memory[count] = wanted(block.start, block.heldPct[block.start]!, 0)
      memory[sinceAt] = minStageS
    },
    running: (memory) => memory[count]!,
    waitS: (memory) => Math.max(0, minStageS - memory[sinceAt]!),
  }
}
