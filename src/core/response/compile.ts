import { bad, good, type Outcome } from '@/core/problem'
import { checkResponse } from '@/core/response/check'
import { followerPct } from '@/core/response/follower'
import { MemoryPlan } from '@/core/response/memory'
import type { CompiledRule } from '@/core/response/rules/kind'
import { ruleKind } from '@/core/response/rules/table'
import type { Response, Rule } from '@/core/response/schema'
import { toStep } from '@/core/response/steps'

/** What a machine remembers, and what it gave last. Made by `newState`, changed in place by `step`: one owner at a time. */
export type MachineState = {
  readonly memory: Float64Array
  /** What each rule asked for in the last step; NaN for nothing. */
  readonly asksPct: Float64Array
  /** What each fan was given, the lead first. */
  readonly fansPct: Float64Array
  /** Asked, limited, and what is left of the start kick: see `ASKED_PCT`, `LIMITED_PCT`, `KICK_LEFT_S`. A typed array, because a
   *  number kept in an object is a new object each time it changes. */
  readonly figures: Float64Array
  /** Index of the rule in charge; −1 while the floor is. */
  inCharge: number
}

export const ASKED_PCT = 0
export const LIMITED_PCT = 1
export const KICK_LEFT_S = 2

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
  /** Inputs by name, in the order `step` wants them; a missing one is NaN, a missing switch is off. */
  inputsFrom(values: Readonly<Record<string, number>>): Float64Array
}

function compileChecked(response: Response): Machine {
  const { floor, ceiling, startKick, followers, steps } = response
  const plan = new MemoryPlan()
  const inputIds = response.inputs.map(({ id }) => id)
  const rules = response.rules.filter(({ off }) => !off)
  const compiledRules = rules.map((rule) =>
    ruleKind(rule).compile(rule, { response, memory: plan, inputIndex: (id) => inputIds.indexOf(id) }),
  )
  const ruleAsks = compiledRules.map(({ ask }) => ask)
  const floorPct = floor.speedPct
  const ceilingPct = ceiling.speedPct
  const kickPct = startKick?.speedPct ?? 0
  const kickS = startKick?.holdS ?? 0

  const newState = (): MachineState => ({
    memory: plan.build(),
    asksPct: new Float64Array(rules.length).fill(NaN),
    fansPct: new Float64Array(1 + followers.length),
    figures: new Float64Array(3),
    inCharge: -1,
  })

  const ruleCount = ruleAsks.length
  const followerCount = followers.length
  const isStepless = steps.stepPct === 0

  function step(state: MachineState, inputs: Float64Array, dtS: number): void {
    const { memory, asksPct, fansPct, figures } = state
    let asked = floorPct
    let inCharge = -1
    for (let index = 0; index < ruleCount; index++) {
      ruleAsks[index]!(inputs, memory, dtS, asksPct, index)
      const askPct = asksPct[index]!
      if (askPct > asked) {
        asked = askPct
        inCharge = index
      }
    }
    const limited = asked > ceilingPct ? ceilingPct : asked
    figures[ASKED_PCT] = asked
    figures[LIMITED_PCT] = limited
    state.inCharge = inCharge
    let given = isStepless ? limited : toStep(steps, limited)
    if (kickS > 0) {
      if (given === 0) figures[KICK_LEFT_S] = 0
      else if (fansPct[0] === 0) figures[KICK_LEFT_S] = kickS
      else if (figures[KICK_LEFT_S]! > 0) figures[KICK_LEFT_S]! -= dtS
      if (figures[KICK_LEFT_S]! > 0 && given < kickPct) given = kickPct
    }
    fansPct[0] = given
    for (let index = 0; index < followerCount; index++)
      fansPct[index + 1] = followerPct(followers[index]!, given, floorPct, steps)
  }

  function settle(state: MachineState, inputs: Float64Array): void {
    for (let index = 0; index < ruleCount; index++) compiledRules[index]!.settle(inputs, state.memory)
    step(state, inputs, 0)
    state.figures[KICK_LEFT_S] = 0
    step(state, inputs, 0)
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
      Float64Array.from(response.inputs, ({ id, kind }) => values[id] ?? (kind === 'switch' ? 0 : NaN)),
  }
}

/** Checks the response once and returns the machine that carries it out, or every problem at once. */
export function compile(response: Response): Outcome<Machine> {
  const problems = checkResponse(response)
  return problems.length > 0 ? bad(...problems) : good(compileChecked(response))
}
