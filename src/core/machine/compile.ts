import { bad, good, type Outcome } from '@/core/json/problem'
import { checkResponse } from '@/core/machine/check'
import { followerPct } from '@/core/machine/follower'
import { compileHolds, ISOLATED } from '@/core/machine/parts/holds'
import { compileLead } from '@/core/machine/parts/lead'
import { compileLimits } from '@/core/machine/parts/limits'
import { compileModes } from '@/core/machine/parts/modes'
import { compileOtherOutputs, type CompiledOutput } from '@/core/machine/parts/otherOutputs'
import { compileRunOn } from '@/core/machine/parts/runOn'
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
  IN_CHARGE_RUN_ON,
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
  const { floor, followers, steps, stages } = response
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
  const ruleAsks = compiledRules.map(({ ask }) => ask)
  const ruleModes = Uint8Array.from(rules, modeBits)
  const sense = compileSense(context, setPoints)
  const modes = compileModes(context)
  const runOn = compileRunOn(context)
  const limit = compileLimits(context)
  const holds = compileHolds(context)
  const ladder = compileStages(context)
  const lead = compileLead(context)
  const fanIds = [response.lead, ...followers.map(({ fan }) => fan), ...(stages?.fixed ?? []).map(({ fan }) => fan)]
  const otherOutputs = compileOtherOutputs(context, fanIds, holds)
  // On a ladder the asks are of all fans together; the floor is the variable fan's own and comes in with the stages.
  const floorPct = ladder ? 0 : floor.speedPct
  const restPct = floor.offAllowed ? 0 : floorPct
  const firstWins = response.wins === 'first'
  const isolatedAt = response.holds?.isolated === undefined ? -1 : inputIndex(response.holds.isolated)
  // 1 while the supply is away: the step in which it comes back is a first one.
  const wasIsolated = plan.slot(0)
  const clear = plan.clearer(response.keeps ?? [])
  const ruleCount = ruleAsks.length
  const followerCount = followers.length

  const newState = (): MachineState => ({
    memory: plan.build(),
    sensed: new Float64Array(inputIds.length + 1 + setPoints.count).fill(NaN),
    asksPct: new Float64Array(rules.length).fill(NaN),
    fansPct: new Float64Array(fanIds.length),
    figures: new Float64Array(FIGURES),
    inCharge: IN_CHARGE_FLOOR,
  })

  // While settling, rate and start kick are over.
  let isSettling = false

  function ask(state: MachineState, inputs: Float64Array, dtS: number): number {
    const { memory, asksPct } = state
    const modeBit = modes ? modes.step(memory, inputs, dtS) : 3
    let asked = restPct
    let inCharge = IN_CHARGE_FLOOR
    let isAsked = false
    for (let index = 0; index < ruleCount; index++) {
      ruleAsks[index]!(inputs, memory, dtS, asksPct, index)
      if ((ruleModes[index]! & modeBit) === 0) asksPct[index] = NaN
      const askPct = asksPct[index]!
      if (askPct > asked && !(firstWins && isAsked)) {
        asked = askPct
        inCharge = index
      }
      if (askPct > 0) isAsked = true
    }
    if (runOn) {
      const onPct = runOn(memory, isAsked, asked, dtS)
      if (onPct > asked) {
        asked = onPct
        inCharge = IN_CHARGE_RUN_ON
      }
    }
    state.inCharge = inCharge
    // Between 0 and the floor there is nothing, whoever asks for it.
    return asked > 0 && asked < floorPct ? floorPct : asked
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

  function giveFans(state: MachineState, wantedPct: number, dtS: number): void {
    const { memory, fansPct, figures } = state
    const aim = lead.aim(memory, wantedPct)
    if (isSettling) lead.settle(memory, aim)
    const given = isSettling ? aim : lead.give(memory, fansPct[0]!, aim, dtS)
    figures[LEAD_PCT] = wantedPct
    figures[AIM_PCT] = aim
    figures[KICK_LEFT_S] = lead.kickLeftS(memory)
    fansPct[0] = given
    const isHot = holds?.isOverheated(memory) ?? false
    for (let index = 0; index < followerCount; index++)
      fansPct[index + 1] = isHot ? 0 : followerPct(followers[index]!, given, floor.speedPct, steps)
    if (ladder) {
      const running = ladder.running(memory)
      for (let index = 1 + followerCount; index < fansPct.length; index++)
        fansPct[index] = index - 1 - followerCount < running ? 100 : 0
    }
  }

  function step(state: MachineState, raw: Float64Array, elapsedS: number): void {
    const { memory, fansPct, figures } = state
    if (isolatedAt >= 0 && raw[isolatedAt]! >= 0.5) {
      losePower(state)
      state.inCharge = IN_CHARGE_FLOOR
      return
    }
    const dtS = memory[wasIsolated] === 1 ? 0 : elapsedS
    memory[wasIsolated] = 0
    const inputs = sense ? sense(state, raw, dtS) : raw
    const asked = ask(state, inputs, dtS)
    const limited = limit(inputs, asked)
    const held = holds ? holds.step(memory, inputs, limited, dtS, figures, HELD_BY) : limited
    figures[ASKED_PCT] = asked
    figures[LIMITED_PCT] = limited
    figures[HELD_PCT] = held
    if (holds?.isStopped(inputs)) {
      // No rate, no least time: what is stopped for safety stands.
      fansPct.fill(0)
      figures[LEAD_PCT] = figures[AIM_PCT] = figures[KICK_LEFT_S] = 0
      lead.stop(memory)
      ladder?.stop(memory)
    } else {
      if (ladder && isSettling) ladder.settle(memory, held)
      giveFans(state, ladder ? ladder.step(memory, held, dtS) : held, dtS)
    }
    for (let index = 0; index < otherOutputs.length; index++)
      if (isSettling) otherOutputs[index]!.settle(memory, inputs, fansPct)
      else otherOutputs[index]!.step(memory, inputs, fansPct, dtS)
  }

  function settle(state: MachineState, raw: Float64Array): void {
    const inputs = sense ? sense(state, raw, Infinity) : raw
    modes?.settle(state.memory, inputs)
    holds?.settle(state.memory, inputs)
    for (let index = 0; index < ruleCount; index++) compiledRules[index]!.settle(inputs, state.memory)
    isSettling = true
    step(state, raw, 0)
    isSettling = false
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
    step,
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
