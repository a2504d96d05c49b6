import type { Machine } from '@/core/machine/compile'
import type { MachineState } from '@/core/machine/state'
import { signalAt, speedFromSignal, type Signal } from '@/core/physics/signal'
import type { Check } from '@/core/prove/check'
import { measuredOf, type ProveContext } from '@/core/prove/context'
import { awayFromCycles, playStages, timeUntil } from '@/core/prove/play'
import type { CheckReading, StepReading } from '@/core/prove/reading'
import type { Stage, Values } from '@/core/prove/stage'
import { HAND_HALF_S, inputParts, METER_HALF_PCT, TIMER_SHARE } from '@/core/prove/uncertainty'
import { judge, type VerdictKind } from '@/core/prove/verdict'
import { isMeasured } from '@/core/rules/input'

/** What really hangs in the place: a machine that may be set wrongly, and what may be wrong around it. */
export type Wrong = {
  readonly machine?: Machine
  /** A fan that does not move from where it is. */
  readonly stuckAtPct?: number
  /** A fixed fan that never runs. */
  readonly dead?: string
  readonly unplugged?: string
  readonly swapped?: readonly [string, string]
  /** How the output is really wired and set. */
  readonly signal?: Signal
}

/** What is off within its data, once for a site: probes, references, timers. */
export type Errors = {
  readonly probe: Readonly<Record<string, number>>
  readonly reference: Readonly<Record<string, number>>
}

const even = (random: () => number, half: number): number => (2 * random() - 1) * half

/** Errors of a site, each even within what its data say. */
export function anyErrors(context: ProveContext, random: () => number): Errors {
  const probe: Record<string, number> = {}
  const reference: Record<string, number> = {}
  for (const input of context.response.inputs) {
    if (!isMeasured(input)) continue
    const parts = inputParts(context.installation, input, context.rest[input.id] ?? input.from)
    const half = (isOne: (what: string) => boolean) => parts.find(({ what }) => isOne(what))?.half ?? 0
    // What a comparison found is taken off already; what is left is its own spread.
    probe[input.id] =
      even(
        random,
        half((what) => what.startsWith('probe')),
      ) - (context.offsets[input.id] ?? 0)
    reference[input.kind] ??= even(
      random,
      half((what) => !what.startsWith('probe') && what !== 'its step'),
    )
  }
  return { probe, reference }
}

export const NO_ERRORS: Errors = { probe: {}, reference: {} }

/** Carries checks out as somebody would who does what they say, at a site that is right or wrong, and has the readings judged. */
export class ProvingSite {
  private readonly machine: Machine

  constructor(
    private readonly context: ProveContext,
    private readonly errors: Errors,
    private readonly random: () => number,
    private readonly wrong: Wrong = {},
  ) {
    this.machine = wrong.machine ?? context.machine
  }

  verdict(check: Check): VerdictKind {
    return judge(this.context, check, this.reading(check)).verdict
  }

  /** What every fan really gives after stages, the speeds as they would be read with a meter without error. */
  fansAfter(stages: readonly Stage[]): number[] {
    return this.allShown(this.play(stages))
  }

  /** The same at several times (s, rising) after the last of the stages has begun. */
  fansOver(stages: readonly Stage[], times: readonly number[]): number[][] {
    const state = this.play([...stages.slice(0, -1), { ...stages.at(-1)!, forS: 0 }])
    const inputs = this.terminals(stages.at(-1)!.values)
    return times.map((timeS, index) => {
      this.machine.step(state, inputs, timeS - (times[index - 1] ?? 0))
      return this.allShown(state)
    })
  }

  private allShown(state: MachineState): number[] {
    const given = this.given(state)
    return this.context.machine.fanIds.map((fan, index) => this.shown(fan, given[index] ?? 0))
  }

  reading(check: Check): CheckReading {
    switch (check.kind) {
      case 'speed':
        return { kind: 'speed', steps: check.steps.map(({ stage, reads }) => this.step(check.stages, stage, reads)) }
      case 'time':
        return { kind: 'time', timeS: this.time(check.stages, check) }
      case 'seen':
        return { kind: 'seen', asExpected: this.isSeen(check) }
    }
  }

  /** What the controller's terminals get of readings that the instrument beside each probe shows. */
  private readonly terminals = (read: Values): Float64Array => {
    const { context, errors, wrong } = this
    const air = { ...read }
    for (const { id } of context.response.inputs) {
      const input = measuredOf(context, id)
      if (input && air[id] !== undefined) air[id] -= errors.reference[input.kind] ?? 0
    }
    const at = { ...air }
    if (wrong.swapped) [at[wrong.swapped[0]], at[wrong.swapped[1]]] = [air[wrong.swapped[1]]!, air[wrong.swapped[0]]!]
    for (const { id } of context.response.inputs) {
      const x = at[id]
      if (x === undefined || !measuredOf(context, id)) continue
      const step = context.installation.kit.probes.find(({ input }) => input === id)?.resolution ?? 0
      const says = x + (errors.probe[id] ?? 0)
      at[id] = step > 0 ? Number((Math.round(says / step) * step).toFixed(6)) : says
    }
    if (wrong.unplugged !== undefined) at[wrong.unplugged] = NaN
    return this.machine.inputsFrom(at)
  }

  /** Second by second where it matters, not in the pieces of the plan that is tested. */
  private play(stages: readonly Stage[]): MachineState {
    const { machine, terminals } = this
    const [rest, ...then] = stages
    const state = machine.settledState(terminals(rest!.values))
    for (const { values, forS, power } of then) {
      if (power === false) {
        machine.losePower(state)
        continue
      }
      const inputs = terminals(values)
      const pieces = Math.min(500, Math.ceil(forS / 2))
      machine.step(state, inputs, 0)
      for (let piece = 0; piece < pieces; piece++) machine.step(state, inputs, forS / pieces)
    }
    return state
  }

  private after(stages: readonly Stage[], at: number): MachineState {
    const upTo = stages.slice(0, at + 1)
    const state = this.play(upTo)
    return awayFromCycles(this.machine, state, this.terminals(upTo.at(-1)!.values))
  }

  private given(state: MachineState): Float64Array {
    const { stuckAtPct, dead } = this.wrong
    const given = state.fansPct.slice()
    if (stuckAtPct !== undefined) given[0] = stuckAtPct
    if (dead !== undefined) given[this.machine.fanIds.indexOf(dead)] = 0
    return given
  }

  private shown(fan: string, pct: number): number {
    const { signal } = this.wrong
    const own = this.context.installation.kit.fans.find(({ id }) => id === fan)?.signal
    return signal && own && fan === this.context.response.lead ? speedFromSignal(own, signalAt(signal, pct).value) : pct
  }

  private meter(fan: string, pct: number): number {
    return Math.min(100, Math.max(0, this.shown(fan, pct) + even(this.random, METER_HALF_PCT)))
  }

  private step(stages: readonly Stage[], at: number, reads: readonly string[]): StepReading {
    const given = this.given(this.after(stages, at))
    const values = stages[at]!.values
    return {
      inputs: Object.fromEntries(reads.flatMap((id) => (Number.isFinite(values[id]) ? [[id, values[id]!]] : []))),
      fansPct: Object.fromEntries(
        this.context.machine.fanIds.map((fan, index) => [fan, this.meter(fan, given[index] ?? 0)]),
      ),
    }
  }

  private time(
    stages: readonly Stage[],
    { expectS, fromPct, toPct }: { expectS: number; fromPct: number; toPct: number },
  ): number {
    const last = this.terminals(stages.at(-1)!.values)
    const isStill = this.wrong.stuckAtPct !== undefined
    const tookS = isStill ? null : timeUntil(this.machine, this.play(stages), last, { fromPct, toPct, guessS: expectS })
    // Who waits twice as long and longer gives up and notes that.
    const readS = tookS === null ? 2 * expectS + 60 : tookS * (1 + even(this.random, TIMER_SHARE))
    return Math.min(604800, Math.max(0, readS + even(this.random, HAND_HALF_S)))
  }

  private isSeen({ look, stages }: Extract<Check, { kind: 'seen' }>): boolean {
    switch (look.kind) {
      case 'person':
        return true
      case 'fans':
        return this.given(this.after(stages, stages.length - 1)).every((pct) => pct === 0)
      case 'lead':
        return this.given(this.play(stages))[0]! > look.abovePct
      case 'output': {
        const isOn = (machine: Machine, at: number, terminals: (values: Values) => Float64Array) =>
          machine.otherOutputs
            .find(({ output }) => output.id === look.id)
            ?.isOn(playStages(machine, stages.slice(0, at + 1), terminals).memory) ?? false
        const nominal = (values: Values) => {
          const inputs = this.context.machine.inputsFrom(values)
          this.context.machine.inputIds.forEach((id, place) => (inputs[place]! -= this.context.offsets[id] ?? 0))
          return inputs
        }
        return stages.every(
          (_stage, at) =>
            at === 0 || isOn(this.machine, at, this.terminals) === isOn(this.context.machine, at, nominal),
        )
      }
    }
  }
}
