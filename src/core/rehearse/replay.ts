import type { Machine } from '@/core/machine/compile'
import type { Series } from '@/core/rehearse/series'

type ReplayMeasures = {
  readonly hours: number
  /** Starts from rest, the first at power-up not counted. */
  readonly starts: number
  readonly speedChanges: number
  readonly meanPct: number
  /** Minutes with the watched input above the limit; null without one. */
  readonly minutesAbove: number | null
  readonly minutesAtCeiling: number
  readonly hottest: number | null
}

export type Replay = {
  readonly atS: Float64Array
  /** Speed of each fan in force from each time on, lead first. */
  readonly fansPct: readonly Float64Array[]
  /** Who asked for it: index of a rule that is switched on, IN_CHARGE_FLOOR or IN_CHARGE_RUN_ON. */
  readonly inCharge: Int16Array
  /** What held it, whatever was asked: a place in OVERRIDE_KINDS, 0 for nothing. */
  readonly heldBy: Uint8Array
  readonly measures: ReplayMeasures
}

export type ReplayOptions = {
  readonly watch?: { readonly input: string; readonly limit: number }
  readonly onProgress?: (share: number) => void
}

// Between two readings the response goes on in steps of at most this, so that overruns and kicks end when they should.
const LONGEST_STEP_S = 10
const PROGRESS_EVERY = 5000
/** What stands behind the inputs of a machine, in its order. */
const BESIDE = ['clock', 'date']

/** Runs readings through a response, open loop: the readings do not answer to the fan.
 *  @throws {RangeError} when the times do not rise */
export function replay(
  machine: Machine,
  { atS, inputs, values }: Series,
  { watch, onProgress }: ReplayOptions = {},
): Replay {
  const state = machine.newState()
  const columns = machine.newColumns()
  const now = machine.inputsFrom({})
  const places = inputs.map((id) =>
    BESIDE.includes(id) ? machine.inputIds.length + BESIDE.indexOf(id) : machine.inputIds.indexOf(id),
  )
  const watched = watch ? columns.inputs[machine.inputIds.indexOf(watch.input)] : undefined
  const ceilingPct = machine.response.ceiling.speedPct
  const fansPct = machine.fanIds.map(() => new Float64Array(atS.length))
  const inCharge = new Int16Array(atS.length)
  const heldBy = new Uint8Array(atS.length)
  /** The reading each row is of; −1 for one between two readings. */
  const readings = new Int32Array(columns.length)
  let [starts, speedChanges, runS, pctS, aboveS, ceilingS, count] = [0, 0, 0, 0, 0, 0, 0]
  let [hottest, before, givenAtReading, isOver] = [-Infinity, 0, 0, false]

  function putRow(stepS: number, reading: number): void {
    for (let input = 0; input < now.length; input++) columns.raw[input]![count] = now[input]!
    columns.dtS[count] = stepS
    readings[count++] = reading
    if (count === columns.length) flush()
  }

  function flush(): void {
    machine.run(state, columns, count)
    const lead = columns.fansPct[0]!
    for (let row = 0; row < count; row++) {
      // Each stretch is counted at the speed that was given throughout it: a kick of seconds is not a kick of five minutes.
      const stepS = columns.dtS[row]!
      pctS += before * stepS
      runS += stepS
      if (before >= ceilingPct) ceilingS += stepS
      if (isOver) aboveS += stepS
      before = lead[row]!
      if (readings[row]! >= 0) keepReading(row, readings[row]!)
    }
    count = 0
  }

  function keepReading(row: number, reading: number): void {
    for (let fan = 0; fan < fansPct.length; fan++) fansPct[fan]![reading] = columns.fansPct[fan]![row]!
    inCharge[reading] = columns.inCharge[row]!
    heldBy[reading] = columns.heldBy[row]!
    const given = fansPct[0]![reading]!
    if (reading > 0 && givenAtReading === 0 && given > 0) starts++
    if (reading > 0 && given !== givenAtReading) speedChanges++
    givenAtReading = given
    // As the controller has it: of several probes what is made of them.
    const x = watched?.[row] ?? NaN
    if (x > hottest) hottest = x
    isOver = watch !== undefined && x > watch.limit
    if (onProgress && reading % PROGRESS_EVERY === 0) onProgress(reading / atS.length)
  }

  for (let index = 0; index < atS.length; index++) {
    let leftS = index === 0 ? 0 : atS[index]! - atS[index - 1]!
    if (leftS < 0 || (index > 0 && leftS === 0)) throw new RangeError(`times must rise, index ${index}`)
    for (; leftS > LONGEST_STEP_S; leftS -= LONGEST_STEP_S) putRow(LONGEST_STEP_S, -1)
    for (let column = 0; column < places.length; column++)
      if (places[column]! >= 0) now[places[column]!] = values[column]![index]!
    putRow(leftS, index)
  }
  flush()
  return {
    atS,
    fansPct,
    inCharge,
    heldBy,
    measures: {
      hours: runS / 3600,
      starts,
      speedChanges,
      meanPct: runS > 0 ? pctS / runS : 0,
      minutesAbove: watch ? aboveS / 60 : null,
      minutesAtCeiling: ceilingS / 60,
      hottest: hottest === -Infinity ? null : hottest,
    },
  }
}
