import { type Machine } from '@/core/machine/compile'
import { isInSkipBand } from '@/core/machine/givable'
import { reduced } from '@/core/machine/parts/limits'
import { OVERRIDE_KINDS, type OverrideKind } from '@/core/machine/parts/overrides'
import { isPast } from '@/core/machine/past'
import {
  AIM_PCT,
  ASKED_PCT,
  HELD_BY,
  HELD_PCT,
  IN_CHARGE_RUN_ON,
  KICK_LEFT_S,
  LEAD_PCT,
  LIMITED_PCT,
  type MachineState,
} from '@/core/machine/state'
import { toStep } from '@/core/machine/steps'
import type { OtherOutput, Reduction, SkipBand } from '@/core/response/schema'
import { exact } from '@/core/rules/exact'
import type { RuleWhy, Rule } from '@/core/rules/table'

/** One link of the chain from what is sensed to what is given, in the fixed order. */
export type Link =
  | { readonly stage: 'sense'; readonly input: string; readonly value: number }
  | {
      readonly stage: 'mode'
      readonly mode: 'day' | 'night'
      readonly by: 'light' | 'clock'
      readonly leftS: number | null
    }
  | { readonly stage: 'ask'; readonly rule: Rule; readonly asksPct: number; readonly why: RuleWhy }
  | { readonly stage: 'ask'; readonly rule: null; readonly asksPct: number; readonly why: { readonly kind: 'floor' } }
  | { readonly stage: 'limit'; readonly kind: 'step-up'; readonly by: number; readonly askedPct: number }
  | { readonly stage: 'limit'; readonly kind: 'cut-out'; readonly backAtPct: number }
  | { readonly stage: 'limit'; readonly kind: 'ceiling'; readonly askedPct: number; readonly limitedPct: number }
  | {
      readonly stage: 'limit'
      readonly kind: 'reduction'
      readonly reduction: Reduction
      readonly askedPct: number
      readonly limitedPct: number
    }
  | { readonly stage: 'hold'; readonly kind: 'run-on'; readonly speedPct: number; readonly leftS: number }
  | {
      readonly stage: 'hold'
      readonly kind: 'held'
      readonly by: OverrideKind
      readonly limitedPct: number
      readonly heldPct: number
      /** 0 where no time runs. */
      readonly leftS: number
    }
  | { readonly stage: 'hold'; readonly kind: 'start-kick'; readonly speedPct: number; readonly leftS: number }
  /** Demand in percent of the whole ladder. */
  | {
      readonly stage: 'give'
      readonly kind: 'stages'
      readonly demandPct: number
      readonly running: number
      readonly leadPct: number
      /** Until the next fan may come or go; 0 where one may now. */
      readonly waitS: number
    }
  | {
      readonly stage: 'give'
      readonly kind: 'steps'
      readonly wantedPct: number
      readonly givenPct: number
      readonly stepPct: number
    }
  | { readonly stage: 'give'; readonly kind: 'skip-band'; readonly band: SkipBand; readonly givenPct: number }
  | { readonly stage: 'give'; readonly kind: 'rate'; readonly wantedPct: number; readonly givenPct: number }
  | {
      readonly stage: 'give'
      readonly kind: 'fan'
      readonly fan: string
      readonly role: 'lead' | 'follower' | 'fixed'
      readonly givenPct: number
    }
  | {
      readonly stage: 'give'
      readonly kind: 'output'
      readonly output: OtherOutput
      readonly isOn: boolean
      /** Until it comes on or goes off by itself; null where no time runs. */
      readonly leftS: number | null
    }

export type Explanation = {
  readonly chain: readonly Link[]
  /** The rule in charge; null while it is the floor. */
  readonly inCharge: Rule | null
  readonly asksPct: number
  readonly givenPct: number
  /** By id: how far each target has moved from its own value. */
  readonly targets: Readonly<Record<string, number>>
}

/** Its figures as the rule's own input has them: a set point moves the input a rule reads, not the points it was written with. */
function unshifted(why: RuleWhy, shift: number): RuleWhy {
  if (shift === 0) return why
  return {
    ...why,
    ...('x' in why ? { x: why.x + shift } : {}),
    ...('edge' in why ? { edge: why.edge + shift } : {}),
  }
}

function askLinks(machine: Machine, state: MachineState, inputs: Float64Array): Link[] {
  const { response, rules, compiledRules } = machine
  const hasModes = response.light !== undefined || response.dayByWeek !== undefined
  const mode = machine.isNight(state) ? 'night' : 'day'
  const failing = (rule: number) => machine.failingCondition(rule, state)
  return [
    ...(hasModes
      ? [{ stage: 'mode', mode, by: response.light ? 'light' : 'clock', leftS: machine.timeLeft(state).modeS } as const]
      : []),
    {
      stage: 'ask',
      rule: null,
      asksPct: response.floor.offAllowed ? 0 : response.floor.speedPct,
      why: { kind: 'floor' },
    },
    ...rules.map((rule, index): Link => ({
      stage: 'ask',
      rule,
      asksPct: state.asksPct[index]!,
      why:
        failing(index) >= 0
          ? { kind: 'condition-open', condition: failing(index) }
          : hasModes && rule.modes && !rule.modes.includes(mode)
            ? { kind: 'other-mode' }
            : unshifted(compiledRules[index]!.why(inputs, state.memory), machine.shiftOf(index, state)),
    })),
  ]
}

function limitLinks(machine: Machine, state: MachineState, inputs: Float64Array): Link[] {
  const { response } = machine
  const { figures } = state
  const links: Link[] = []
  let pct = figures[ASKED_PCT]!
  const by = machine.steppedUpBy(state)
  if (by > 0) links.push({ stage: 'limit', kind: 'step-up', by, askedPct: pct })
  if (pct > response.ceiling.speedPct) {
    links.push({ stage: 'limit', kind: 'ceiling', askedPct: pct, limitedPct: response.ceiling.speedPct })
    pct = response.ceiling.speedPct
  }
  const floorPct = response.stages ? 0 : response.floor.speedPct
  for (const reduction of response.reductions ?? []) {
    const x = inputs[response.inputs.findIndex(({ id }) => id === reduction.input)]!
    if (!isPast(reduction.when, x, exact(reduction.at))) continue
    const limitedPct = pct > 0 ? Math.max(floorPct, reduced(reduction, pct)) : 0
    if (limitedPct < pct) links.push({ stage: 'limit', kind: 'reduction', reduction, askedPct: pct, limitedPct })
    pct = limitedPct
  }
  const { cutOut } = response
  return cutOut && pct > 0 && machine.isCutOut(state)
    ? [...links, { stage: 'limit', kind: 'cut-out', backAtPct: cutOut.backAtPct }]
    : links
}

function holdLinks(machine: Machine, state: MachineState): Link[] {
  const { response } = machine
  const { figures, inCharge } = state
  const left = machine.timeLeft(state)
  const [asked, limited, held] = [figures[ASKED_PCT]!, figures[LIMITED_PCT]!, figures[HELD_PCT]!]
  return [
    ...(inCharge === IN_CHARGE_RUN_ON
      ? [{ stage: 'hold', kind: 'run-on', speedPct: asked, leftS: left.runOnS } as const]
      : []),
    ...(figures[HELD_BY]! > 0
      ? [
          {
            stage: 'hold',
            kind: 'held',
            by: OVERRIDE_KINDS[figures[HELD_BY]!] ?? 'none',
            limitedPct: limited,
            heldPct: held,
            leftS: left.holdS,
          } as const,
        ]
      : []),
    ...(figures[KICK_LEFT_S]! > 0 && response.startKick
      ? [
          {
            stage: 'hold',
            kind: 'start-kick',
            speedPct: response.startKick.speedPct,
            leftS: figures[KICK_LEFT_S]!,
          } as const,
        ]
      : []),
  ]
}

/** What the output makes of the speed wanted of the lead: its steps, a skip band jumped, the rate. */
function leadLinks({ response }: Machine, { figures, fansPct }: MachineState): Link[] {
  const { steps, skipBands = [] } = response
  const [wanted, aim, given] = [figures[LEAD_PCT]!, figures[AIM_PCT]!, fansPct[0]!]
  if (figures[KICK_LEFT_S]! > 0 || given === wanted) return []
  const stepped = toStep(steps, wanted)
  const band = skipBands.find((candidate) => isInSkipBand(candidate, stepped))
  return [
    ...(band
      ? [{ stage: 'give', kind: 'skip-band', band, givenPct: aim } as const]
      : aim === wanted
        ? []
        : [{ stage: 'give', kind: 'steps', wantedPct: wanted, givenPct: aim, stepPct: steps.stepPct } as const]),
    ...(aim === given ? [] : [{ stage: 'give', kind: 'rate', wantedPct: aim, givenPct: given } as const]),
  ]
}

/** The chain for the instant after `step`, with its figures, as data. */
export function explain(machine: Machine, state: MachineState, raw: Float64Array): Explanation {
  const inputs = machine.senses ? state.sensed : raw
  const { response, fanIds } = machine
  const { figures, fansPct } = state
  const followers = response.followers.length
  const chain: Link[] = [
    ...machine.inputIds.map((input, index): Link => ({ stage: 'sense', input, value: inputs[index]! })),
    ...askLinks(machine, state, inputs),
    ...limitLinks(machine, state, inputs),
    ...holdLinks(machine, state),
    ...(response.stages
      ? [
          {
            stage: 'give',
            kind: 'stages',
            demandPct: figures[HELD_PCT]!,
            running: machine.fixedRunning(state),
            leadPct: figures[LEAD_PCT]!,
            waitS: machine.timeLeft(state).stageS,
          } as const,
        ]
      : []),
    ...leadLinks(machine, state),
    ...fanIds.map((fan, index): Link => ({
      stage: 'give',
      kind: 'fan',
      fan,
      role: index === 0 ? 'lead' : index <= followers ? 'follower' : 'fixed',
      givenPct: fansPct[index]!,
    })),
    ...machine.otherOutputs.map(({ output, isOn, leftS }): Link => ({
      stage: 'give',
      kind: 'output',
      output,
      isOn: isOn(state.memory),
      leftS: leftS(state.memory),
    })),
  ]
  return {
    chain,
    inCharge: machine.rules[state.inCharge] ?? null,
    asksPct: figures[ASKED_PCT]!,
    givenPct: fansPct[0]!,
    targets: Object.fromEntries((response.targets ?? []).map(({ id }) => [id, machine.targetMovedBy(id, state)])),
  }
}
