import { fail, ok, type Outcome } from '@/core/json/problem'
import { checkResponse } from '@/core/machine/check'
import { BESIDE_INPUTS, newColumns, type Columns } from '@/core/machine/columns'
import { compileAsked } from '@/core/machine/parts/asked'
import { compileGate, type Gate } from '@/core/machine/parts/conditions'
import { compileCutOut } from '@/core/machine/parts/cutOut'
import { compileFollowers } from '@/core/machine/parts/followers'
import { compileLead } from '@/core/machine/parts/lead'
import { compileLimits } from '@/core/machine/parts/limits'
import { compileModes } from '@/core/machine/parts/modes'
import { compileOtherOutputs, type CompiledOutput } from '@/core/machine/parts/otherOutputs'
import { compileOverrides, ISOLATED, OVERRIDE_KINDS } from '@/core/machine/parts/overrides'
import { compileSense } from '@/core/machine/parts/sense'
import { compileSetPoints } from '@/core/machine/parts/setPoints'
import { compileStages } from '@/core/machine/parts/stages'
import { compileStepUps } from '@/core/machine/parts/stepUps'
import { compileTargets } from '@/core/machine/parts/targets'
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
import { fanIdsOf } from '@/core/response/fanIds'
import type { Response } from '@/core/response/schema'
import type { PartContext } from '@/core/machine/parts/context'
import { MODES } from '@/core/rules/common'
import type { CompiledRule } from '@/core/rules/kind'
import { MemoryPlan } from '@/core/rules/memory'
import { ruleKind, type Rule, type RuleWhy } from '@/core/rules/table'

/** Seconds that run down by themselves; 0 (for the mode null) where none do. */
type TimeLeft = {
  readonly runOnS: number
  readonly holdS: number
  readonly stageS: number
  readonly modeS: number | null
}

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
   *  seconds since Monday 00:00, `date` the local date in days since 1970-01-01. */
  inputsFrom(values: Readonly<Record<string, number>>): Float64Array
  /** Whether inputs are sensed (offset, combined, scanned) before they are used: then `state.sensed` holds what was used. */
  readonly senses: boolean
  /** Whether it is night, by light or clock, after a step. */
  isNight(state: MachineState): boolean
  /** Damper, alarm and the like, in the order of the response, with their state after a step. */
  readonly otherOutputs: readonly CompiledOutput[]
  /** What still runs by itself after a step, s: the run-on, a hold, until the next fan may join, until the other mode comes. */
  timeLeft(state: MachineState): TimeLeft
  /** How many fixed fans run after a step; 0 where there are no stages. */
  fixedRunning(state: MachineState): number
  /** Which condition kept a rule from asking in the last step, by its place; −1 where none did. */
  failingCondition(rule: number, state: MachineState): number
  /** How far a set point or a target has moved this rule's points, after a step (0 where none has). */
  shiftOf(rule: number, state: MachineState): number
  /** How far a target has moved, after a step. */
  targetMovedBy(id: string, state: MachineState): number
  /** How many named speeds more it runs, after a step. */
  steppedUpBy(state: MachineState): number
  /** Whether the low-speed cut-out has the fan stand, after a step. */
  isCutOut(state: MachineState): boolean
}

/** Bit 1 for day, bit 2 for night: whether a rule speaks in a mode is one look. */
const modeBits = ({ modes }: Rule): number =>
  MODES.reduce((bits, mode, place) => (!modes || modes.includes(mode) ? bits | (1 << place) : bits), 0)

/** Every part of a machine, compiled, in the order in which they remember: a state that was saved is read by that order. */
function compileParts(response: Response) {
  const plan = new MemoryPlan()
  const inputIds = response.inputs.map(({ id }) => id)
  const inputIndex = (id: string) => inputIds.indexOf(id)
  const clockIndex = inputIds.length
  const dateIndex = clockIndex + 1
  const rules = response.rules.filter(({ off }) => !off)
  const plain = { response, memory: plan, inputIndex, clockIndex, dateIndex }
  const setPoints = compileSetPoints(rules, plain)
  const targets = compileTargets(response, plan, inputIds.length + BESIDE_INPUTS + setPoints.count)
  const context: PartContext = {
    ...plain,
    tiedIndex: (input, target) => targets.tiedIndex(inputIndex(input), target),
  }
  const targetOf = (rule: Rule): string | undefined => ('target' in rule ? rule.target : undefined)
  const compiledRules = rules.map((rule, index) => {
    const [place, target] = [setPoints.placeOf(index), targetOf(rule)]
    // What a calendar or a target moves is read at a place of its own.
    const placeOf = place === null ? (id: string) => context.tiedIndex(id, target) : () => place
    return ruleKind(rule).compile(rule, { ...context, inputIndex: placeOf })
  })
  const sense = compileSense(context, setPoints, targets.isNeeded)
  const modes = compileModes(context)
  const asked = compileAsked(context)
  const stepUps = compileStepUps(context)
  const limit = compileLimits(context)
  const cutOut = compileCutOut(context)
  const overrides = compileOverrides(context)
  const ladder = compileStages(context)
  const lead = compileLead(context)
  const fanIds = fanIdsOf(response)
  const otherOutputs = compileOtherOutputs(context, fanIds)
  const gates = rules.map(({ onlyWhile }) => compileGate(onlyWhile, context))
  // 1 while the supply is away: the step in which it comes back is a first one.
  const wasIsolated = plan.slot(0)
  return {
    plan,
    inputIds,
    rules,
    ruleModes: Uint8Array.from(rules, modeBits),
    setPoints,
    targets,
    targetOfRule: rules.map(targetOf),
    compiledRules,
    gates,
    sense,
    modes,
    asked,
    stepUps,
    limit,
    cutOut,
    overrides,
    ladder,
    lead,
    follow: compileFollowers(response),
    fanIds,
    otherOutputs,
    wasIsolated,
    isolatedAt: response.overrides?.isolated === undefined ? -1 : inputIndex(response.overrides.isolated),
    clear: plan.clearer(response.keeps ?? []),
    size: {
      inputs: inputIds.length,
      senses: sense !== null,
      moved: setPoints.count + targets.count(),
      fans: fanIds.length,
      outputs: otherOutputs.length,
      firstWins: response.wins === 'first',
      overrides: overrides !== null,
      stages: ladder !== null,
      lags: lead.lags,
    },
  }
}
type Parts = ReturnType<typeof compileParts>

const newState = ({ plan, size, rules }: Parts): MachineState => ({
  memory: plan.build(),
  sensed: new Float64Array(size.inputs + BESIDE_INPUTS + size.moved).fill(NaN),
  asksPct: new Float64Array(rules.length).fill(NaN),
  fansPct: new Float64Array(size.fans),
  figures: new Float64Array(FIGURES),
  inCharge: IN_CHARGE_FLOOR,
})

/** A rule with conditions asks as if a row in which one does not stand were of no mode. */
function askThrough(
  gate: Gate,
  rule: CompiledRule<unknown>,
  memory: Float64Array,
  asksPct: Float64Array,
  block: Columns,
  index: number,
): void {
  const { modes, modesSeen } = block
  block.modesSeen = gate.run(memory, block)
  block.modes = block.allowed
  rule.ask(block, memory, asksPct, index)
  block.modes = modes
  block.modesSeen = modesSeen
}

function ask(parts: Parts, state: MachineState, block: Columns): void {
  const { memory, asksPct } = state
  const { compiledRules, ruleModes, gates } = parts
  const { start, end } = block
  parts.modes?.run(memory, block)
  if (parts.targets.isNeeded) parts.targets.fill(state, block)
  if (end - start === 1) block.askedPct[start] = 0
  else block.askedPct.fill(0, start, end)
  for (let index = 0; index < compiledRules.length; index++) {
    block.askingModes = ruleModes[index]!
    const gate = gates[index]
    if (gate) askThrough(gate, compiledRules[index]!, memory, asksPct, block, index)
    else compiledRules[index]!.ask(block, memory, asksPct, index)
    if ((ruleModes[index]! & (gate ? block.allowed : block.modes)[end - 1]!) === 0) asksPct[index] = NaN
  }
  parts.asked.run(memory, block)
}

/** What stands in the last row, for those who look at a state. */
function keepLast({ lead }: Parts, state: MachineState, block: Columns): void {
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

/** Outputs that stop the fans before anything is given, the others after. */
function runOutputs(
  { otherOutputs }: Parts,
  memory: Float64Array,
  block: Columns,
  isSettled: boolean,
  stopping: boolean,
): void {
  for (let index = 0; index < otherOutputs.length; index++) {
    const output = otherOutputs[index]!
    if ((output.output.stopsFans ?? false) !== stopping) continue
    if (isSettled) output.settle(memory)
    output.run(memory, block, block.outputs[index]!)
  }
}

/** The rows of a block from `start` up to `end`, with power, one part at a time. */
function runParts(parts: Parts, state: MachineState, block: Columns, isSettled: boolean): void {
  const { overrides, ladder, wasIsolated } = parts
  const { memory, fansPct } = state
  const { start, end, dtS } = block
  const elapsedS = dtS[start]!
  if (memory[wasIsolated] === 1) dtS[start] = memory[wasIsolated] = 0
  parts.sense?.(state, block)
  ask(parts, state, block)
  parts.stepUps?.run(memory, block)
  parts.limit(block)
  parts.cutOut?.run(memory, block)
  runOutputs(parts, memory, block, isSettled, true)
  if (overrides) overrides.run(memory, block)
  else if (parts.isolatedAt >= 0) block.heldBy.fill(0, start, end)
  if (ladder) {
    if (isSettled) ladder.settle(memory, block)
    ladder.run(memory, block)
  }
  parts.lead.run(memory, block, fansPct[0]!, isSettled)
  parts.follow(block)
  runOutputs(parts, memory, block, isSettled, false)
  keepLast(parts, state, block)
  dtS[start] = elapsedS
}

function losePower({ clear, wasIsolated }: Parts, state: MachineState): void {
  const { memory, asksPct, fansPct, figures, sensed } = state
  clear(memory)
  memory[wasIsolated] = 1
  asksPct.fill(NaN)
  sensed.fill(NaN)
  fansPct.fill(0)
  figures.fill(0)
  figures[HELD_BY] = ISOLATED
}

function standStill(parts: Parts, state: MachineState, block: Columns, row: number): void {
  losePower(parts, state)
  state.inCharge = block.inCharge[row] = IN_CHARGE_FLOOR
  block.heldBy[row] = ISOLATED
  block.askedPct[row] = block.limitedPct[row] = block.heldPct[row] = block.leadPct[row] = block.aimPct[row] = 0
  block.running[row] = 0
  for (const given of block.fansPct) given[row] = 0
  for (const isOn of block.outputs) isOn[row] = 0
}

/** The first `count` rows; those without supply stand, and what lies between them goes through the parts. */
function run(parts: Parts, state: MachineState, block: Columns, count: number, isSettled: boolean): void {
  const isolated = parts.isolatedAt < 0 ? null : block.raw[parts.isolatedAt]!
  let row = 0
  while (row < count) {
    block.start = row
    if (isolated === null) row = count
    else while (row < count && !(isolated[row]! >= 0.5)) row++
    block.end = row
    if (block.end > block.start) runParts(parts, state, block, isSettled)
    if (row < count) standStill(parts, state, block, row++)
  }
}

function putIn(block: Columns, raw: Float64Array, dtS: number): void {
  for (let index = 0; index < block.raw.length; index++) block.raw[index]![0] = raw[index]!
  block.dtS[0] = dtS
}

function settle(parts: Parts, state: MachineState, one: Columns, raw: Float64Array): void {
  const { sense, modes, overrides, compiledRules, gates } = parts
  putIn(one, raw, Infinity)
  one.start = 0
  one.end = 1
  sense?.(state, one)
  const inputs = sense ? state.sensed : raw
  modes?.settle(state.memory, inputs)
  if (parts.targets.isNeeded) {
    modes?.run(state.memory, one)
    parts.targets.fill(state, one)
  }
  parts.stepUps?.settle(state.memory)
  parts.cutOut?.settle(state.memory)
  overrides?.settle(state.memory, inputs)
  for (let index = 0; index < compiledRules.length; index++) {
    compiledRules[index]!.settle(inputs, state.memory)
    gates[index]?.settle(state.memory)
  }
  one.dtS[0] = 0
  run(parts, state, one, 1, true)
}

function compileChecked(response: Response): Machine {
  const parts = compileParts(response)
  const { modes, ladder, size } = parts
  // A step is a block of one.
  const one = newColumns(size, 1)
  return {
    response,
    rules: parts.rules,
    compiledRules: parts.compiledRules,
    inputIds: parts.inputIds,
    fanIds: parts.fanIds,
    newState: () => newState(parts),
    settledState(inputs) {
      const state = newState(parts)
      settle(parts, state, one, inputs)
      return state
    },
    settle: (state, inputs) => settle(parts, state, one, inputs),
    step(state, raw, dtS) {
      putIn(one, raw, dtS)
      run(parts, state, one, 1, false)
    },
    newColumns: () => newColumns(size),
    run: (state, columns, count) => run(parts, state, columns, count, false),
    losePower: (state) => losePower(parts, state),
    inputsFrom: (values) =>
      Float64Array.from([
        ...response.inputs.map(({ id, kind }) => values[id] ?? (kind === 'switch' ? 0 : NaN)),
        values.clock ?? NaN,
        values.date ?? NaN,
      ]),
    senses: size.senses,
    failingCondition: (rule, { memory }) => parts.gates[rule]?.failing(memory) ?? -1,
    isNight: ({ memory }) => modes?.isNight(memory) ?? false,
    otherOutputs: parts.otherOutputs,
    timeLeft: ({ memory, figures }) => ({
      runOnS: parts.asked.runOnLeftS(memory),
      holdS: parts.overrides?.leftS(OVERRIDE_KINDS[figures[HELD_BY]!] ?? 'none', memory) ?? 0,
      stageS: ladder?.waitS(memory) ?? 0,
      modeS: modes?.leftS(memory) ?? null,
    }),
    fixedRunning: ({ memory }) => ladder?.running(memory) ?? 0,
    shiftOf: (rule, state) =>
      parts.setPoints.shiftOf(rule, state.sensed[parts.inputIds.length]!) +
      parts.targets.movedBy(parts.targetOfRule[rule], state),
    targetMovedBy: parts.targets.movedBy,
    steppedUpBy: ({ memory }) => parts.stepUps?.by(memory) ?? 0,
    isCutOut: ({ memory }) => parts.cutOut?.isCut(memory) ?? false,
  }
}

/** Checks the response once and returns the machine that carries it out, or every problem at once. */
export function compile(response: Response): Outcome<Machine> {
  const problems = checkResponse(response)
  return problems.length > 0 ? fail(...problems) : ok(compileChecked(response))
}
