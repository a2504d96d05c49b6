import { bad, good, type Outcome } from '@/core/json/problem'
import { checkResponse } from '@/core/machine/check'
import { newColumns, type Columns } from '@/core/machine/columns'
import { compileAsked } from '@/core/machine/parts/asked'
import { compileFollowers } from '@/core/machine/parts/followers'
import { compileHolds, ISOLATED } from '@/core/machine/parts/holds'
import { compileLead } from '@/core/machine/parts/lead'
import { compileLimits } from '@/core/machine/parts/limits'
import { compileModes } from '@/core/machine/parts/modes'
import { compileOtherOutputs, type CompiledOutput } from '@/core/machine/parts/otherOutputs'
import { compileSense } from '@/core/machine/parts/sense'
import { compileSetPoints } from '@/core/machine/parts/setPoints'
import { compileStages } from '@/core/machine/parts/stages'
import {
  type MachineState,
  ASKED_PCT,
  LIMITED_PCT,
  KICK_LEFT_S,
  HELD_PCT,
  HELD_BY,
  LEAD_PCT,
  AIM_PCT,
  FIGURES,
  IN_CHARGE_FLOOR,
} from '@/core/machine/state'
import type { Response } from '@/core/response/schema'
import { MODES } from '@/core/rules/common'
import type { CompiledRule } from '@/core/rules/kind'
import { MemoryPlan } from '@/core/rules/memory'
import { ruleKind, type Rule, type RuleWhy } from '@/core/rules/table'

export type Machine = {
  readonly response: Response
  /** The rules that are switched on, in the order of `asksPct`. */
  readonly rules: readonly Rule[]
  readonly compiledRules: readonly CompiledRule<RuleWhy>[]
  readonly inputIds: readonly string[]
  readonly fanIds: readonly string[]
  /** At rest, power just given. */
  newState(): MachineState
  /** Running as if these inputs had stood for long: delays over, kick spent. */
  settledState(inputs: Float64Array): MachineState
  /** Brings a state of this machine there instead of making one; allocates nothing. */
  settle(state: MachineState, inputs: Float64Array): void
  /** `dtS` seconds have passed since the last step and the inputs are now these (NaN: lost). Allocates nothing. */
  step(state: MachineState, inputs: Float64Array, dtS: number): void
  /** Columns for many steps at a time: write the raw inputs and the seconds of the first `count` rows, run them, and read what was made
   *  of each. Many times quicker than steps, with the same results. */
  newColumns(): Columns
  run(state: MachineState, columns: Columns, count: number): void
  /** The supply is away: everything stands, and what the controller does not keep is gone. The next step counts from the supply’s return. */
  losePower(state: MachineState): void
  /** Inputs by name, in the order `step` wants them; a missing one is NaN, a missing switch is off. `clock` is the local time in
   *  seconds since Monday 00:00. */
  inputsFrom(values: Readonly<Record<string, number>>): Float64Array
  /** Whether inputs are sensed (offset, combined, scanned) before they are used: then `state.sensed` holds what was used. */
  readonly senses: boolean
  /** Whether it is night, by light or clock, after a step. */
  isNight(state: MachineState): boolean
  /** Damper, alarm and the like, in the order of the response, with their state after a step. */
  readonly otherOutputs: readonly CompiledOutput[]
  /** How many fixed fans run after a step; 0 where there are no stages. */
  fixedRunning(state: MachineState): number
  /** How far a set point has moved this rule's points at a clock (0 where none has). */
  shiftOf(rule: number, weekS: number): number
}

/** Bit 1 for day, bit 2 for night: whether a rule speaks in a mode is one look. */
const modeBits = ({ modes }: Rule): number =>
  MODES.reduce((bits, mode, place) => (!modes || modes.includes(mode) ? bits | (1 << place) : bits), 0)

function compileChecked(response: Response): Machine {
  const { followers, stages } = response
  const plan = new MemoryPlan()
  const inputIds = response.inputs.map(({ id }) => id)
  const inputIndex = (id: string) => inputIds.indexOf(id)
  const clockIndex = inputIds.length
  const rules = response.rules.filter(({ off }) => !off)
  const context = { response, memory: plan, inputIndex, clockIndex }
  const setPoints = compileSetPoints(rules, context)
  const compiledRules = rules.map((rule, index) => {
    const place = setPoints.placeOf(index)
    return ruleKind(rule).compile(rule, place === null ? context : { ...context, inputIndex: () => place })
  })
  const ruleModes = Uint8Array.from(rules, modeBits)
  const sense = compileSense(context, setPoints)
  const modes = compileModes(context)
  const asked = compileAsked(context)
  const limit = compileLimits(context)
  const holds = compileHolds(context)
  const ladder = compileStages(context)
  const lead = compileLead(context)
  const fanIds = [response.lead, ...followers.map(({ fan }) => fan), ...(stages?.fixed ?? []).map(({ fan }) => fan)]
  const otherOutputs = compileOtherOutputs(context, fanIds)
  const follow = compileFollowers(response)
  const isolatedAt = response.holds?.isolated === undefined ? -1 : inputIndex(response.holds.isolated)
  // 1 while the supply is away: the step in which it comes back is a first one.
  const wasIsolated = plan.slot(0)
  const clear = plan.clearer(response.keeps ?? [])
  const size = {
    inputs: inputIds.length,
    senses: sense !== null,
    moved: setPoints.count,
    fans: fanIds.length,
    outputs: otherOutputs.length,
    firstWins: response.wins === 'first',
    holds: holds !== null,
    stages: ladder !== null,
    lags: lead.lags,
  }
  // A step is a block of one.
  const one = newColumns(size, 1)

  const newState = (): MachineState => ({
    memory: plan.build(),
    sensed: new Float64Array(inputIds.length + 1 + setPoints.count).fill(NaN),
    asksPct: new Float64Array(rules.length).fill(NaN),
    fansPct: new Float64Array(fanIds.length),
    figures: new Float64Array(FIGURES),
    inCharge: IN_CHARGE_FLOOR,
  })

  function ask({ memory, asksPct }: MachineState, block: Columns): void {
    const { start, end } = block
    modes?.run(memory, block)
    if (end - start === 1) block.askedPct[start] = 0
    else block.askedPct.fill(0, start, end)
    for (let index = 0; index < compiledRules.length; index++) {
      block.askingModes = ruleModes[index]!
      compiledRules[index]!.ask(block, memory, asksPct, index)
      if ((ruleModes[index]! & block.modes[end - 1]!) === 0) asksPct[index] = NaN
    }
    asked(memory, block)
  }

  function losePower({ memory, asksPct, fansPct, figures, sensed }: MachineState): void {
    clear(memory)
    memory[wasIsolated] = 1
    asksPct.fill(NaN)
    sensed.fill(NaN)
    fansPct.fill(0)
    figures.fill(0)
    figures[HELD_BY] = ISOLATED
  }

  /** What stands in the last row, for those who look at a state. */
  function keepLast(state: MachineState, block: Columns): void {
    const { figures, fansPct, memory } = state
    const last = block.end - 1
    state.inCharge = block.inCharge[last]!
    figures[ASKED_PCT] = block.askedPct[last]!
    figures[LIMITED_PCT] = block.limitedPct[last]!
    figures[HELD_PCT] = block.heldPct[last]!
    figures[HELD_BY] = block.heldBy[last]!
    figures[LEAD_PCT] = block.leadPct[last]!
    figures[AIM_PCT] = block.aimPct[last]!
    figures[KICK_LEFT_S] = lead.kickLeftS(memory)
    for (let fan = 0; fan < fansPct.length; fan++) fansPct[fan] = block.fansPct[fan]![last]!
  }

  /** The rows of a block from `start` up to `end`, with power, one part at a time. */
  function runParts(state: MachineState, block: Columns, isSettled: boolean): void {
    const { memory, fansPct } = state
    const { start, end, dtS } = block
    const elapsedS = dtS[start]!
    if (memory[wasIsolated] === 1) dtS[start] = memory[wasIsolated] = 0
    sense?.(state, block)
    ask(state, block)
    limit(block)
    if (holds) holds.run(memory, block)
    else if (isolatedAt >= 0) block.heldBy.fill(0, start, end)
    if (ladder) {
      if (isSettled) ladder.settle(memory, block.heldPct[start]!)
      ladder.run(memory, block)
    }
    lead.run(memory, block, fansPct[0]!, isSettled)
    follow(block)
    for (let index = 0; index < otherOutputs.length; index++) {
      if (isSettled) otherOutputs[index]!.settle(memory)
      otherOutputs[index]!.run(memory, block, block.outputs[index]!)
    }
    keepLast(state, block)
    dtS[start] = elapsedS
  }

  function standStill(state: MachineState, block: Columns, row: number): void {
    losePower(state)
    state.inCharge = block.inCharge[row] = IN_CHARGE_FLOOR
    block.heldBy[row] = ISOLATED
    block.askedPct[row] = block.limitedPct[row] = block.heldPct[row] = block.leadPct[row] = block.aimPct[row] = 0
    block.running[row] = 0
    for (const given of block.fansPct) given[row] = 0
    for (const isOn of block.outputs) isOn[row] = 0
  }

  function run(state: MachineState, block: Columns, count: number, isSettled = false): void {
    if (isolatedAt < 0) {
      block.start = 0
      block.end = count
      runParts(state, block, isSettled)
      return
    }
    const isolated = block.raw[isolatedAt]!
    for (let row = 0; row < count;) {
      if (isolated[row]! >= 0.5) standStill(state, block, row++)
      else {
        block.start = row
        while (row < count && !(isolated[row]! >= 0.5)) row++
        block.end = row
        runParts(state, block, isSettled)
      }
    }
  }

  function putIn(raw: Float64Array, dtS: number): void {
    for (let index = 0; index <= clockIndex; index++) one.raw[index]![0] = raw[index]!
    one.dtS[0] = dtS
  }

  function settle(state: MachineState, raw: Float64Array): void {
    putIn(raw, Infinity)
    one.start = 0
    one.end = 1
    sense?.(state, one)
    const inputs = sense ? state.sensed : raw
    modes?.settle(state.memory, inputs)
    holds?.settle(state.memory, inputs)
    for (let index = 0; index < compiledRules.length; index++) compiledRules[index]!.settle(inputs, state.memory)
    one.dtS[0] = 0
    run(state, one, 1, true)
  }

  return {
    response,
    rules,
    compiledRules,
    inputIds,
    fanIds,
    newState,
    settledState(inputs) {
      const state = newState()
      settle(state, inputs)
      return state
    },
    settle,
    step(state, raw, dtS) {
      putIn(raw, dtS)
      run(state, one, 1)
    },
    newColumns: () => newColumns(size),
    run,
    losePower,
    inputsFrom: (values) =>
      Float64Array.from([
        ...response.inputs.map(({ id, kind }) => values[id] ?? (kind === 'switch' ? 0 : NaN)),
        values.clock ?? NaN,
      ]),
    senses: sense !== null,
    isNight: ({ memory }) => modes?.isNight(memory) ?? false,
    otherOutputs,
    fixedRunning: ({ memory }) => ladder?.running(memory) ?? 0,
    shiftOf: setPoints.shiftOf,
  }
}

/** Checks the response once and returns the machine that carries it out, or every problem at once. */
export function compile(response: Response): Outcome<Machine> {
  const problems = checkResponse(response)
  return problems.length > 0 ? bad(...problems) : good(compileChecked(response))
}
