import type { Input } from '@/core/rules/input'
import type { Problem } from '@/core/json/problem'
import type { Quantity } from '@/core/quantity/units'
import type { MemoryPlan } from '@/core/rules/memory'

/** A piece of a rule's sentence. A field's `path` is dotted inside the rule; the interface makes an inline field of it. */
export type SentencePart =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'input'; readonly name: string }
  | {
      readonly kind: 'field'
      readonly path: string
      readonly label: string
      readonly quantity: Quantity
      /** As it is shown and typed; kept as this divided by `perBase` where one is named. */
      readonly value: number
      readonly perBase?: number
      /** Where it is narrower than what is plausible of the quantity; as shown. */
      readonly limits?: readonly [min: number, max: number]
    }
  | {
      readonly kind: 'choice'
      readonly path: string
      readonly label: string
      readonly value: string
      readonly options: readonly (readonly [value: string, text: string])[]
      /** What is put at `path` for a choice where that is not the choice itself; undefined takes away what stands there. */
      readonly puts?: Readonly<Record<string, unknown>>
    }
  /** A time of the day, in minutes from midnight. */
  | { readonly kind: 'clock'; readonly path: string; readonly label: string; readonly value: number }
  /** Days of the week, 0 for Monday. */
  | { readonly kind: 'days'; readonly path: string; readonly label: string; readonly value: readonly number[] }

export const text = (said: string): SentencePart => ({ kind: 'text', text: said })

/** What colours a rule, its handle and its slider: the cause it answers to. */
export type Cause = 'speed' | 'temperature' | 'humidity' | 'pressure' | 'light' | 'switch' | 'time'

/** What a rule sees of the response it stands in. */
export type Surroundings = {
  readonly inputs: readonly Input[]
  readonly floor: { readonly speedPct: number }
  readonly ceiling: { readonly speedPct: number; readonly how: 'clip' | 'rescale' }
}

export type RuleContext = { readonly response: Surroundings; readonly path: string }

export type CompileContext = {
  readonly response: Surroundings
  readonly memory: MemoryPlan
  readonly inputIndex: (id: string) => number
  /** Where the local time stands: seconds since Monday 00:00, NaN where there is no clock. */
  readonly clockIndex: number
}

/** Puts the speed asked for now (percent, NaN for nothing) at `at` of `asksPct`: a number returned would be a new object each step.
 *  `dtS` is the time since the last step, spent in the state before it. */
export type Ask = (inputs: Float64Array, memory: Float64Array, dtS: number, asksPct: Float64Array, at: number) => void

export type CompiledRule = {
  readonly ask: Ask
  /** Why it asks what it asks, with figures, after a step. */
  readonly why: (inputs: Float64Array, memory: Float64Array) => RuleWhy
  /** Puts its memory where it would be had the inputs stood like this for long. */
  readonly settle: (inputs: Float64Array, memory: Float64Array) => void
}

export type RuleWhy =
  | { readonly kind: 'ramp-below' | 'ramp-above'; readonly x: number; readonly edge: number }
  | {
      readonly kind: 'ramp-within'
      readonly x: number
      readonly up: number
      readonly span: number
      readonly fromPct: number
      readonly toPct: number
    }
  | { readonly kind: 'input-lost' }
  | { readonly kind: 'switch-waiting'; readonly leftS: number }
  | { readonly kind: 'switch-on' }
  | { readonly kind: 'switch-overrun'; readonly leftS: number }
  | { readonly kind: 'switch-idle' }
  | { readonly kind: 'differential-on' | 'differential-off'; readonly x: number; readonly edge: number }
  | { readonly kind: 'surge-on'; readonly x: number; readonly base: number; readonly leftS: number }
  | { readonly kind: 'surge-idle'; readonly rise: number }
  | { readonly kind: 'surge-capped'; readonly edge: number; readonly leftS: number }
  | { readonly kind: 'week-inside' | 'week-outside' | 'no-clock' }
  | { readonly kind: 'cycle-on' | 'cycle-off'; readonly leftS: number }
  | { readonly kind: 'after-run-armed' | 'after-run-idle'; readonly x: number; readonly edge: number }
  | { readonly kind: 'after-run-counting'; readonly leftS: number }
  | { readonly kind: 'other-mode' }

/** Everything the program knows of one kind of rule, so that the next kind is a new file and one line in a table. */
export type RuleKind<R> = {
  readonly check: (rule: R, context: RuleContext) => Problem[]
  readonly compile: (rule: R, context: CompileContext) => CompiledRule
  readonly sentence: (
    rule: R,
    context: { readonly input: Input | undefined; readonly response: Surroundings },
  ) => readonly SentencePart[]
  readonly cause: (input: Input | undefined) => Cause
}
