import type { Machine } from '@/core/machine/compile'
import type { MachineState } from '@/core/machine/state'
import type { Stage } from '@/core/prove/stage'
import { pulsesOf, ruleKind } from '@/core/rules/table'

/** What each rule asks, a cycle left out: its pause is waited for. */
export const asksPct = ({ rules }: Machine, state: MachineState): number[] =>
  rules.map((rule, index) => (pulsesOf(rule) || Number.isNaN(state.asksPct[index]!) ? 0 : state.asksPct[index]!))

/** The longest piece (s) in which a stage is gone through: where something remembers what was, piece by piece; else in one go. */
function pieceS({ response: { stages, rate, finalRunOn }, rules }: Machine): number {
  const windows = rules.map((rule) => ruleKind(rule).lookbackS(rule) / 12).filter((windowS) => windowS > 0)
  const cycles =
    stages || rate || finalRunOn
      ? rules.flatMap((rule) => {
          const pulses = pulsesOf(rule)
          return pulses ? [pulses.onS / 4] : []
        })
      : []
  const staged = stages && stages.minStageS > 0 ? [stages.minStageS / (rate ? 6 : 2)] : []
  return Math.max(1, Math.min(Infinity, ...windows, ...cycles, ...staged))
}

const MOST_PIECES = 240

const piecesOf = (machine: Machine, forS: number): number =>
  Math.min(MOST_PIECES, Math.max(2, Math.ceil(forS / pieceS(machine))))

const copyState = (state: MachineState): MachineState => ({
  memory: state.memory.slice(),
  sensed: state.sensed.slice(),
  asksPct: state.asksPct.slice(),
  fansPct: state.fansPct.slice(),
  figures: state.figures.slice(),
  inCharge: state.inCharge,
})

/** The pauses of all cycles together: how long to look for one, in what steps; null where nothing cycles. */
function pausesOf({ rules }: Machine): {
  readonly isPaused: (state: MachineState) => boolean
  readonly stepS: number
  readonly longestS: number
} | null {
  const cycles = rules.flatMap((rule, index) => {
    const pulses = pulsesOf(rule)
    return pulses && pulses.onS < pulses.periodS ? [{ ...pulses, index }] : []
  })
  if (cycles.length === 0) return null
  const shortest = Math.min(...cycles.map(({ onS, periodS }) => Math.min(periodS - onS, onS || periodS)))
  const longestS = Math.max(...cycles.map(({ periodS }) => periodS))
  return {
    isPaused: ({ asksPct: asks }) => cycles.every(({ index }) => Number.isNaN(asks[index]!)),
    stepS: Math.max(shortest / 4, (2 * longestS) / 400),
    longestS,
  }
}

/** Waits for the pause of every cycle, as somebody does who reads a speed; where there is none, nothing is waited for. */
export function awayFromCycles(machine: Machine, state: MachineState, inputs: Float64Array): MachineState {
  const pauses = pausesOf(machine)
  if (!pauses || pauses.isPaused(state)) return state
  const waiting = copyState(state)
  for (let passedS = 0; passedS <= 2 * pauses.longestS; passedS += pauses.stepS) {
    machine.step(waiting, inputs, pauses.stepS)
    if (pauses.isPaused(waiting)) return waiting
  }
  return state
}

/** The least and most that each fan gives in the pauses to come; null where it stands still in them, or nothing cycles. */
export function inPauses(
  machine: Machine,
  state: MachineState,
  inputs: Float64Array,
): { readonly lowPct: Float64Array; readonly highPct: Float64Array } | null {
  const pauses = pausesOf(machine)
  const { rate, finalRunOn, stages, heaterPurge } = machine.response
  if (!pauses || !(rate || finalRunOn || stages || heaterPurge)) return null
  const going = copyState(state)
  const [lowPct, highPct] = [going.fansPct.slice(), going.fansPct.slice()]
  for (let passedS = 0; passedS <= 3 * pauses.longestS; passedS += pauses.stepS) {
    machine.step(going, inputs, pauses.stepS)
    if (!pauses.isPaused(going)) continue
    going.fansPct.forEach((pct, fan) => {
      lowPct[fan] = Math.min(lowPct[fan]!, pct)
      highPct[fan] = Math.max(highPct[fan]!, pct)
    })
  }
  return { lowPct, highPct }
}

/** Takes a state through a stage: the inputs change, are seen at the next scan, and then stand. */
function through(machine: Machine, state: MachineState, inputs: Float64Array, forS: number): void {
  machine.step(state, inputs, 0)
  const seenS = Math.min(forS, machine.response.scanS ?? 0)
  if (seenS > 0) machine.step(state, inputs, seenS)
  const pieces = piecesOf(machine, forS - seenS)
  for (let piece = 0; piece < pieces; piece++) machine.step(state, inputs, (forS - seenS) / pieces)
}

/** The state of a machine after stages, from rest; `at` is the last one gone through. */
export function playStages(
  machine: Machine,
  stages: readonly Stage[],
  toInputs: (values: Stage['values']) => Float64Array,
  at = stages.length - 1,
): MachineState {
  const [rest] = stages
  if (!rest) return machine.newState()
  const state = machine.settledState(toInputs(rest.values))
  for (let index = 1; index <= at; index++) {
    const { values, forS, power } = stages[index]!
    if (power === false) machine.losePower(state)
    else through(machine, state, toInputs(values), forS)
  }
  return state
}

const MOST_S = 8 * 86400

/** A step that meets every scan: what is read there counts at once. */
function onScans({ response: { scanS = 0 } }: Machine, stepS: number): number {
  return scanS === 0 ? stepS : stepS > scanS ? scanS : scanS / Math.ceil(scanS / stepS)
}

export type Change = { readonly fromPct: number; readonly toPct: number; readonly guessS: number }

/** Seconds until the lead's speed has passed half way, looked at in pieces of the guess; null when it never does. */
function passedHalf(
  machine: Machine,
  state: MachineState,
  inputs: Float64Array,
  { isOver, guessS, mostS }: { isOver: (pct: number) => boolean; guessS: number; mostS: number },
): number | null {
  const stepS = onScans(machine, Math.max(0.5, guessS / 200))
  let before = copyState(state)
  for (let passedS = 0; passedS < mostS; passedS += stepS) {
    const after = copyState(before)
    machine.step(after, inputs, stepS)
    if (isOver(after.fansPct[0]!)) {
      const fineS = stepS / 40
      for (let fine = 1; fine <= 40; fine++) {
        machine.step(before, inputs, fineS)
        if (isOver(before.fansPct[0]!)) return passedS + fine * fineS
      }
      return passedS + stepS
    }
    before = after
  }
  return null
}

/** Seconds for which the lead stays on the side of the first speed, the inputs standing as they are: from when it is there (at most a minute
 *  and two scans later) until it has passed half way to the second; null when it never does.
 *  @param guessS how long it is likely to take: it is looked at in pieces of that */
export function timeUntil(
  machine: Machine,
  state: MachineState,
  inputs: Float64Array,
  { fromPct, toPct, guessS }: Change,
): number | null {
  const half = (fromPct + toPct) / 2
  const isOver = (pct: number) => (toPct < fromPct ? pct <= half : pct >= half)
  const start = copyState(state)
  if (isOver(start.fansPct[0]!)) {
    const waitS = 60 + 2 * (machine.response.scanS ?? 0)
    const isThere = (pct: number) => !isOver(pct)
    const comesS = passedHalf(machine, start, inputs, { isOver: isThere, guessS: waitS, mostS: waitS })
    if (comesS === null) return 0
    machine.step(start, inputs, comesS)
  }
  const mostS = Math.min(MOST_S, 6 * guessS + 600)
  const roughS = passedHalf(machine, start, inputs, { isOver, guessS, mostS })
  // Once more in finer pieces, where it came much sooner than was guessed.
  return roughS === null || roughS > guessS / 2
    ? roughS
    : passedHalf(machine, start, inputs, { isOver, guessS: roughS, mostS })
}
