import { bad, good, type Outcome } from '@/core/problem'
import { checkResponse } from '@/core/response/check'
import { followerPct } from '@/core/response/follower'
import { MemoryPlan } from '@/core/response/memory'
import { compileHolds } from '@/core/response/parts/holds'
import { compileLight } from '@/core/response/parts/light'
import { compileLimits } from '@/core/response/parts/limits'
import { compileRate } from '@/core/response/parts/rate'
import { compileRestBands } from '@/core/response/parts/restBands'
import { compileRunOn } from '@/core/response/parts/runOn'
import { compileSense } from '@/core/response/parts/sense'
import type { CompiledRule } from '@/core/response/rules/kind'
import { ruleKind } from '@/core/response/rules/table'
import { MODES, type Response, type Rule } from '@/core/response/schema'
import { toStep } from '@/core/response/steps'

/** What a machine remembers, and what it gave last. Made by `newState`, changed in place by `step`: one owner at a time. */
export type MachineState = {
  readonly memory: Float64Array
  /** The inputs as sensed: offsets added, combined, as of the last scan. */
  readonly sensed: Float64Array
  /** What each rule asked for in the last step; NaN for nothing. */
  readonly asksPct: Float64Array
  /** What each fan was given, the lead first. */
  readonly fansPct: Float64Array
  /** Asked, limited, held, and what is left of the start kick: see the constants below. A typed array, because a number kept in an
   *  object is a new object each time it changes. */
  readonly figures: Float64Array
  /** Index of the rule in charge; −1 while the floor is, −2 while it runs on. */
  inCharge: number
}

export const ASKED_PCT = 0
export const LIMITED_PCT = 1
export const KICK_LEFT_S = 2
export const HELD_PCT = 3
export const IN_CHARGE_FLOOR = -1
export const IN_CHARGE_RUN_ON = -2

export type Machine = {
  readonly response: Response
  /** The rules that are switched on, in the order of `asksPct`. */
  readonly rules: readonly Rule[]
  readonly compiledRules: readonly CompiledRule[]
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
  /** Inputs by name, in the order `step` wants them; a missing one is NaN, a missing switch is off. `clock` is the local time in
   *  seconds since Monday 00:00. */
  inputsFrom(values: Readonly<Record<string, number>>): Float64Array
  /** Whether inputs are sensed (offset, combined, scanned) before they are used: then `state.sensed` holds what was used. */
  readonly senses: boolean
  /** Whether it is night by the light, after a step. */
  isNight(state: MachineState): boolean
}

/** Bit 1 for day, bit 2 for night: whether a rule speaks in a mode is one look. */
const modeBits = ({ modes }: Rule): number =>
  MODES.reduce((bits, mode, place) => (!modes || modes.includes(mode) ? bits | (1 << place) : bits), 0)

function compileChecked(response: Response): Machine {
  const { floor, startKick, followers, steps } = response
  const plan = new MemoryPlan()
  const inputIds = response.inputs.map(({ id }) => id)
  const inputIndex = (id: string) => inputIds.indexOf(id)
  const clockIndex = inputIds.length
  const rules = response.rules.filter(({ off }) => !off)
  const context = { response, memory: plan, inputIndex, clockIndex }
  const compiledRules = rules.map((rule) => ruleKind(rule).compile(rule, context))
  const ruleAsks = compiledRules.map(({ ask }) => ask)
  const ruleModes = Uint8Array.from(rules, modeBits)
  const sense = compileSense(context)
  const light = compileLight(context)
  const runOn = compileRunOn(context)
  const limit = compileLimits(context)
  const hold = compileHolds(context)
  const skipRest = compileRestBands(context)
  const slew = compileRate(response.rate)
  const floorPct = floor.speedPct
  const restPct = floor.offAllowed ? 0 : floorPct
  const kickPct = startKick?.speedPct ?? 0
  const kickS = startKick?.holdS ?? 0
  const ruleCount = ruleAsks.length
  const followerCount = followers.length
  const isStepless = steps.stepPct === 0

  const newState = (): MachineState => ({
    memory: plan.build(),
    sensed: new Float64Array(inputIds.length + 1).fill(NaN),
    asksPct: new Float64Array(rules.length).fill(NaN),
    fansPct: new Float64Array(1 + followerCount),
    figures: new Float64Array(4),
    inCharge: IN_CHARGE_FLOOR,
  })

  // While settling, rate and start kick are over.
  let isSettling = false

  function step(state: MachineState, raw: Float64Array, dtS: number): void {
    const { memory, asksPct, fansPct, figures } = state
    const inputs = sense ? sense(state, raw, dtS) : raw
    const modeBit = light ? light.step(memory, inputs, dtS) : 3
    let asked = restPct
    let inCharge = IN_CHARGE_FLOOR
    let isAsked = false
    for (let index = 0; index < ruleCount; index++) {
      ruleAsks[index]!(inputs, memory, dtS, asksPct, index)
      if ((ruleModes[index]! & modeBit) === 0) asksPct[index] = NaN
      const askPct = asksPct[index]!
      if (askPct > 0) isAsked = true
      if (askPct > asked) {
        asked = askPct
        inCharge = index
      }
    }
    if (runOn) {
      const onPct = runOn(memory, isAsked, asked, dtS)
      if (onPct > asked) {
        asked = onPct
        inCharge = IN_CHARGE_RUN_ON
      }
    }
    // Between 0 and the floor there is nothing, whoever asks for it.
    if (asked > 0 && asked < floorPct) asked = floorPct
    const limited = limit(inputs, asked)
    const held = hold ? hold(memory, inputs, limited, dtS) : limited
    figures[ASKED_PCT] = asked
    figures[LIMITED_PCT] = limited
    figures[HELD_PCT] = held
    state.inCharge = inCharge
    let given = isStepless ? held : toStep(steps, held)
    if (skipRest) given = skipRest(memory, given)
    if (slew && !isSettling) given = slew(fansPct[0]!, given, dtS)
    if (kickS > 0 && !isSettling) {
      if (given === 0) figures[KICK_LEFT_S] = 0
      else if (fansPct[0] === 0) figures[KICK_LEFT_S] = kickS
      else if (figures[KICK_LEFT_S]! > 0) figures[KICK_LEFT_S]! -= dtS
      if (figures[KICK_LEFT_S]! > 0 && given < kickPct) given = kickPct
    }
    fansPct[0] = given
    for (let index = 0; index < followerCount; index++)
      fansPct[index + 1] = followerPct(followers[index]!, given, floorPct, steps)
  }

  function settle(state: MachineState, raw: Float64Array): void {
    const inputs = sense ? sense(state, raw, Infinity) : raw
    light?.settle(state.memory, inputs)
    for (let index = 0; index < ruleCount; index++) compiledRules[index]!.settle(inputs, state.memory)
    isSettling = true
    step(state, raw, 0)
    isSettling = false
    state.figures[KICK_LEFT_S] = 0
  }

  return {
    response,
    rules,
    compiledRules,
    inputIds,
    fanIds: [response.lead, ...followers.map(({ fan }) => fan)],
    newState,
    settledState(inputs) {
      const state = newState()
      settle(state, inputs)
      return state
    },
    settle,
    step,
    inputsFrom: (values) =>
      Float64Array.from([
        ...response.inputs.map(({ id, kind }) => values[id] ?? (kind === 'switch' ? 0 : NaN)),
        values.clock ?? NaN,
      ]),
    senses: sense !== null,
    isNight: ({ memory }) => light?.isNight(memory) ?? false,
  }
}

/** Checks the response once and returns the machine that carries it out, or every problem at once. */
export function compile(response: Response): Outcome<Machine> {
  const problems = checkResponse(response)
  return problems.length > 0 ? bad(...problems) : good(compileChecked(response))
}
