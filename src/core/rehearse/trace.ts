import type { Machine } from '@/core/machine/compile'
import type { Read } from '@/core/space/model'
import type { RunningSpace } from '@/core/space/model'

/** What became of a rehearsal: a value a step in every column. Row i is what was there at its end, `(i + 1) · stepS` from the start; what was read
 *  and given is that of the step. */
export type Trace = {
  readonly stepS: number
  readonly steps: number
  /** How many rows are filled: fewer than all while it still runs. */
  readonly filled: number
  readonly startsOn: string
  readonly inputIds: readonly string[]
  readonly fanIds: readonly string[]
  readonly readNames: readonly Read[]
  /** As the controller has each input; NaN where it has none. */
  readonly inputs: readonly Float64Array[]
  readonly reads: readonly Float64Array[]
  readonly askedPct: Float64Array
  readonly fansPct: readonly Float64Array[]
  readonly inCharge: Int16Array
  readonly heldBy: Uint8Array
  readonly outLs: Float64Array
  readonly inLs: Float64Array
  readonly overLs: Float64Array
  readonly soundDb: Float64Array
  readonly powerW: Float64Array
  readonly outdoorC: Float64Array
  readonly doorOpen: Float64Array
  readonly load: Float64Array
}

/** An empty trace for a machine in a space. */
export function newTrace(
  machine: Machine,
  running: RunningSpace,
  stepS: number,
  steps: number,
  startsOn: string,
): Trace {
  const column = () => new Float64Array(steps)
  return {
    stepS,
    steps,
    filled: steps,
    startsOn,
    inputIds: machine.inputIds,
    fanIds: machine.fanIds,
    readNames: running.reads,
    inputs: machine.inputIds.map(column),
    reads: running.reads.map(column),
    askedPct: column(),
    fansPct: machine.fanIds.map(column),
    inCharge: new Int16Array(steps),
    heldBy: new Uint8Array(steps),
    outLs: column(),
    inLs: column(),
    overLs: column(),
    soundDb: column(),
    powerW: column(),
    outdoorC: column(),
    doorOpen: column(),
    load: column(),
  }
}

/** A column of a trace by what it is of; null where there is none. */
export const readColumn = ({ readNames, reads }: Trace, name: Read): Float64Array | null =>
  reads[readNames.indexOf(name)] ?? null
