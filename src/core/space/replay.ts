import type { Machine } from '@/core/machine/compile'
import type { Series } from '@/core/space/series'

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
  readonly measures: ReplayMeasures
}

export type ReplayOptions = {
  readonly watch?: { readonly input: string; readonly limit: number }
  readonly onProgress?: (share: number) => void
}

// Between two readings the response goes on in steps of at most this, so that overruns and kicks end when they should.
const LONGEST_STEP_S = 10
const PROGRESS_EVERY = 5000

/** Runs readings through a response, open loop: the readings do not answer to the fan.
 *  @throws {RangeError} when the times do not rise */
export function replay(
  machine: Machine,
  { atS, inputs, values }: Series,
  { watch, onProgress }: ReplayOptions = {},
): Replay {
  const state = machine.newState()
  const now = machine.inputsFrom({})
  const places = inputs.map((id) => (id === 'clock' ? machine.inputIds.length : machine.inputIds.indexOf(id)))
  const watchedAt = watch ? machine.inputIds.indexOf(watch.input) : -1
  let isOver = false
  const ceilingPct = machine.response.ceiling.speedPct
  const fansPct = machine.fanIds.map(() => new Float64Array(atS.length))
  let [starts, speedChanges, runS, pctS, aboveS, ceilingS] = [0, 0, 0, 0, 0, 0]
  let hottest = -Infinity
  for (let index = 0; index < atS.length; index++) {
    const before = state.fansPct[0]!
    const dtS = index === 0 ? 0 : atS[index]! - atS[index - 1]!
    if (dtS < 0 || (index > 0 && dtS === 0)) throw new RangeError(`times must rise, index ${index}`)
    // Each stretch is counted at the speed that was given throughout it: a kick of seconds is not a kick of five minutes.
    const count = (stepS: number) => {
      pctS += state.fansPct[0]! * stepS
      if (state.fansPct[0]! >= ceilingPct) ceilingS += stepS
    }
    let leftS = dtS
    for (; leftS > LONGEST_STEP_S; leftS -= LONGEST_STEP_S) {
      count(LONGEST_STEP_S)
      machine.step(state, now, LONGEST_STEP_S)
    }
    count(leftS)
    for (let column = 0; column < places.length; column++)
      if (places[column]! >= 0) now[places[column]!] = values[column]![index]!
    machine.step(state, now, leftS)
    const given = state.fansPct[0]!
    for (let fan = 0; fan < fansPct.length; fan++) fansPct[fan]![index] = state.fansPct[fan]!
    runS += dtS
    if (index > 0 && before === 0 && given > 0) starts++
    if (index > 0 && given !== before) speedChanges++
    if (isOver) aboveS += dtS
    // As the controller has it: of several probes what is made of them.
    const x = watchedAt < 0 ? NaN : (machine.senses ? state.sensed : now)[watchedAt]!
    if (x > hottest) hottest = x
    isOver = watch !== undefined && x > watch.limit
    if (onProgress && index % PROGRESS_EVERY === 0) onProgress(index / atS.length)
  }
  return {
    atS,
    fansPct,
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
