import type { Machine } from '@/core/machine/compile'
import { explain, type Explanation } from '@/core/machine/explain'
import type { MachineState } from '@/core/machine/state'
import { ASKED_PCT, HELD_BY } from '@/core/machine/state'
import { fanTables, makeMovers, type FanTables, type Movers } from '@/core/rehearse/fans'
import { makeSensors, type Sensors } from '@/core/rehearse/sensors'
import { newTrace, type Trace } from '@/core/rehearse/trace'
import { dateOf } from '@/core/rules/yearDay'
import { driveColumns, type DriveColumns } from '@/core/scenario/driveColumns'
import type { Scenario } from '@/core/scenario/schema'
import { DRIVE, DRIVES, FLOW, FLOWS, READ, READS, type RunningSpace } from '@/core/space/model'
import type { Space } from '@/core/space/schema'
import type { Where } from '@/core/space/starting'
import { makeSpace } from '@/core/space/table'

const DAY_S = 86400

/** A space and a day to rehearse in, for steps of one length: what does not hang on the response. */
export type Stage = {
  readonly where: Where
  readonly space: Space
  readonly scenario: Scenario
  readonly drives: DriveColumns
  readonly tables: FanTables
  /** Local time at its start, s since Monday 00:00, and date, days since 1970-01-01. */
  readonly clockS: number
  readonly date: number
}

/** @throws {RangeError} unless the step is positive */
export function makeStage(where: Where, space: Space, scenario: Scenario, stepS: number): Stage {
  if (!(stepS > 0)) throw new RangeError(`stepS must be positive, got ${stepS}`)
  const date = dateOf(scenario.startsOn)
  // 1 January 1970 was a Thursday.
  return {
    where,
    space,
    scenario,
    drives: driveColumns(scenario, stepS),
    tables: fanTables(where),
    date,
    clockS: ((date + 3) % 7) * DAY_S,
  }
}

/** Everything that a run goes on with. */
type Rig = {
  readonly machine: Machine
  readonly running: RunningSpace
  readonly sensors: Sensors
  readonly movers: Movers
  readonly state: MachineState
  readonly spaceState: Float64Array
  readonly probeState: Float64Array
  readonly fanState: Float64Array
  readonly raw: Float64Array
  readonly row: Float64Array
  readonly flows: Float64Array
  readonly reads: Float64Array
  readonly outputsOn: Uint8Array
  /** Input that says the supply is away; −1 where the machine simply loses its power. */
  readonly isolatedAt: number
}

/** What a run starts from: a space that has stood through a day already. */
export type Warm = { readonly spaceState: Float64Array; readonly reads: Float64Array }

function makeRig(stage: Stage, machine: Machine): Rig {
  const { space, where, scenario, drives, tables } = stage
  const running = makeSpace(space.serves, { outputIds: machine.otherOutputs.map(({ output }) => output.id) })
  const sensors = makeSensors(machine, { brief: where.brief, space, scenario }, drives.stepS)
  const movers = makeMovers(machine, space, tables, scenario, drives.stepS)
  const row = new Float64Array(DRIVES.length)
  fillRow(row, stage, 0)
  const { isolated } = machine.response.overrides ?? {}
  return {
    machine,
    running,
    sensors,
    movers,
    state: machine.newState(),
    spaceState: running.start(row),
    probeState: sensors.newState(),
    fanState: movers.newState(),
    raw: machine.inputsFrom({}),
    row,
    flows: new Float64Array(FLOWS.length),
    reads: new Float64Array(READS.length).fill(NaN),
    outputsOn: new Uint8Array(machine.otherOutputs.length),
    isolatedAt: isolated === undefined ? -1 : machine.inputIds.indexOf(isolated),
  }
}

function fillRow(row: Float64Array, { drives }: Stage, step: number): void {
  const { columns } = drives
  for (let drive = 0; drive < row.length; drive++) row[drive] = columns[drive]![step]!
}

/** What the machine reads at a step, with the clock behind its inputs. */
function readInputs(rig: Rig, { clockS, date }: Stage, atS: number): void {
  const { raw, machine } = rig
  rig.sensors.read(rig.probeState, rig.row, atS, raw)
  const clock = machine.inputIds.length
  raw[clock] = (clockS + atS) % (7 * DAY_S)
  raw[clock + 1] = date + Math.floor(atS / DAY_S)
}

function stepRig(rig: Rig, stage: Stage, step: number): void {
  const { machine, state, row, flows, reads, outputsOn } = rig
  const { stepS } = stage.drives
  const atS = step * stepS
  fillRow(row, stage, step)
  readInputs(rig, stage, atS)
  const isCut = row[DRIVE.supplyPct]! <= 0
  if (isCut && rig.isolatedAt < 0) machine.losePower(state)
  else {
    if (isCut) rig.raw[rig.isolatedAt] = 1
    machine.step(state, rig.raw, stepS)
  }
  for (let index = 0; index < outputsOn.length; index++)
    outputsOn[index] = !isCut && machine.otherOutputs[index]!.isOn(state.memory) ? 1 : 0
  const ownShare = rig.movers.move(rig.fanState, state.fansPct, row, atS, flows)
  rig.running.step(rig.spaceState, row, flows, outputsOn, stepS, reads)
  rig.sensors.follow(rig.probeState, row, reads, ownShare)
}

function record(rig: Rig, trace: Trace, step: number): void {
  const { state, raw, reads, flows, row } = rig
  for (let index = 0; index < trace.inputs.length; index++) trace.inputs[index]![step] = raw[index]!
  for (let index = 0; index < trace.reads.length; index++)
    trace.reads[index]![step] = reads[READ[trace.readNames[index]!]]!
  for (let fan = 0; fan < trace.fansPct.length; fan++) trace.fansPct[fan]![step] = state.fansPct[fan]!
  trace.askedPct[step] = state.figures[ASKED_PCT]!
  trace.inCharge[step] = state.inCharge
  trace.heldBy[step] = state.figures[HELD_BY]!
  trace.outLs[step] = flows[FLOW.outLs]!
  trace.inLs[step] = flows[FLOW.inLs]!
  trace.overLs[step] = flows[FLOW.overLs]!
  trace.soundDb[step] = rig.movers.soundDb(rig.fanState)
  trace.powerW[step] = rig.movers.powerW(rig.fanState)
  trace.outdoorC[step] = row[DRIVE.outdoorC]!
  trace.doorOpen[step] = row[DRIVE.doorOpen]!
  trace.load[step] = row[DRIVE.load]!
}

function settleRig(rig: Rig, stage: Stage, warm: Warm): void {
  rig.spaceState.set(warm.spaceState)
  rig.reads.set(warm.reads)
  rig.sensors.settle(rig.probeState, rig.row, rig.reads)
  readInputs(rig, stage, 0)
  rig.machine.settle(rig.state, rig.raw)
  // A fan turns already as it settled; nothing starts at the stroke of the first step.
  rig.fanState.set(rig.state.fansPct)
}

/** A space that has stood through the first day of a stage with this response: what runs are begun from, so that several are begun alike. */
export function warmUp(stage: Stage, machine: Machine): Warm {
  const rig = makeRig(stage, machine)
  const steps = Math.min(stage.drives.steps, Math.round(DAY_S / stage.drives.stepS))
  rig.running.step(rig.spaceState, rig.row, rig.flows, rig.outputsOn, 1e-3, rig.reads)
  rig.sensors.settle(rig.probeState, rig.row, rig.reads)
  for (let step = 0; step < steps; step++) stepRig(rig, stage, step)
  return { spaceState: rig.spaceState, reads: rig.reads }
}

/** A run that goes on step by step: as many as are wanted at a time. */
export type Run = {
  readonly trace: Trace
  /** Goes on to the end, or up to a step; true when the end is reached. */
  goTo(step: number): boolean
  /** The chain of the step last gone. */
  explain(): Explanation
  /** Heat and water for the balance, now. */
  readonly running: RunningSpace
  readonly spaceState: Float64Array
}

/** Begins a run of a machine on a stage; `into` takes a trace of the same shape instead of making one. */
export function beginRun(stage: Stage, machine: Machine, warm: Warm, into?: Trace): Run {
  const rig = makeRig(stage, machine)
  const { stepS, steps } = stage.drives
  const trace = into ?? newTrace(machine, rig.running, stepS, steps, stage.scenario.startsOn)
  settleRig(rig, stage, warm)
  let next = 0
  return {
    trace,
    running: rig.running,
    spaceState: rig.spaceState,
    goTo(step) {
      const end = Math.min(step, steps)
      for (; next < end; next++) {
        stepRig(rig, stage, next)
        record(rig, trace, next)
      }
      return next >= steps
    },
    explain: () => explain(machine, rig.state, rig.raw),
  }
}

/** Runs a machine on a stage from beginning to end. */
export function rehearse(stage: Stage, machine: Machine, warm: Warm = warmUp(stage, machine), into?: Trace): Trace {
  const run = beginRun(stage, machine, warm, into)
  run.goTo(Infinity)
  return run.trace
}

/** Why the fan ran as it did at a step, as data. */
export function explainAt(
  stage: Stage,
  machine: Machine,
  step: number,
  warm: Warm = warmUp(stage, machine),
): Explanation {
  const run = beginRun(stage, machine, warm)
  run.goTo(Math.max(1, step + 1))
  return run.explain()
}
