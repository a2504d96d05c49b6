import {
  ASKED_PCT,
  HELD_PCT,
  IN_CHARGE_RUN_ON,
  KICK_LEFT_S,
  LIMITED_PCT,
  type Machine,
  type MachineState,
} from '@/core/response/compile'
import type { RuleWhy } from '@/core/response/rules/kind'
import type { Rule } from '@/core/response/schema'

/** One link of the chain from what is sensed to what is given, in the fixed order. */
export type Link =
  | { readonly stage: 'sense'; readonly input: string; readonly value: number }
  | { readonly stage: 'ask'; readonly rule: Rule; readonly asksPct: number; readonly why: RuleWhy }
  | { readonly stage: 'ask'; readonly rule: null; readonly asksPct: number; readonly why: { readonly kind: 'floor' } }
  | { readonly stage: 'limit'; readonly askedPct: number; readonly ceilingPct: number; readonly limitedPct: number }
  | { readonly stage: 'hold'; readonly kind: 'run-on'; readonly speedPct: number }
  | { readonly stage: 'hold'; readonly kind: 'held'; readonly limitedPct: number; readonly heldPct: number }
  | { readonly stage: 'hold'; readonly kind: 'start-kick'; readonly speedPct: number; readonly leftS: number }
  | {
      readonly stage: 'give'
      readonly fan: string
      readonly limitedPct: number
      readonly givenPct: number
      readonly stepPct: number
    }

export type Explanation = {
  readonly chain: readonly Link[]
  /** The rule in charge; null while it is the floor. */
  readonly inCharge: Rule | null
  readonly asksPct: number
  readonly givenPct: number
}

/** The chain for the instant after `step`, with its figures, as data. */
export function explain(machine: Machine, state: MachineState, raw: Float64Array): Explanation {
  const inputs = machine.senses ? state.sensed : raw
  const mode = machine.isNight(state) ? 'night' : 'day'
  const { response, rules, compiledRules, fanIds } = machine
  const chain: Link[] = machine.inputIds.map((input, index) => ({ stage: 'sense', input, value: inputs[index]! }))
  chain.push({
    stage: 'ask',
    rule: null,
    asksPct: response.floor.offAllowed ? 0 : response.floor.speedPct,
    why: { kind: 'floor' },
  })
  rules.forEach((rule, index) =>
    chain.push({
      stage: 'ask',
      rule,
      asksPct: state.asksPct[index]!,
      why:
        response.light && rule.modes && !rule.modes.includes(mode)
          ? { kind: 'other-mode' }
          : compiledRules[index]!.why(inputs, state.memory),
    }),
  )
  if (state.figures[LIMITED_PCT]! < state.figures[ASKED_PCT]!)
    chain.push({
      stage: 'limit',
      askedPct: state.figures[ASKED_PCT]!,
      ceilingPct: response.ceiling.speedPct,
      limitedPct: state.figures[LIMITED_PCT]!,
    })
  if (state.inCharge === IN_CHARGE_RUN_ON)
    chain.push({ stage: 'hold', kind: 'run-on', speedPct: state.figures[ASKED_PCT]! })
  if (state.figures[HELD_PCT] !== state.figures[LIMITED_PCT])
    chain.push({
      stage: 'hold',
      kind: 'held',
      limitedPct: state.figures[LIMITED_PCT]!,
      heldPct: state.figures[HELD_PCT]!,
    })
  if (state.figures[KICK_LEFT_S]! > 0 && response.startKick)
    chain.push({
      stage: 'hold',
      kind: 'start-kick',
      speedPct: response.startKick.speedPct,
      leftS: state.figures[KICK_LEFT_S]!,
    })
  fanIds.forEach((fan, index) =>
    chain.push({
      stage: 'give',
      fan,
      limitedPct: state.figures[HELD_PCT]!,
      givenPct: state.fansPct[index]!,
      stepPct: response.steps.stepPct,
    }),
  )
  return {
    chain,
    inCharge: rules[state.inCharge] ?? null,
    asksPct: state.figures[ASKED_PCT]!,
    givenPct: state.fansPct[0]!,
  }
}
