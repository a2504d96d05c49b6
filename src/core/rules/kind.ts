import type { Problem } from '@/core/json/problem'
import type { Quantity } from '@/core/quantity/units'
import type { Block } from '@/core/rules/block'
import type { WeekSpan } from '@/core/rules/weekSpan'
import type { Input } from '@/core/rules/input'
import type { Memory, MemoryPlan } from '@/core/rules/memory'

/** A piece of a rule's sentence. A field's `path` is dotted inside the rule; the interface makes an inline field of it. */
export type SentencePart =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'input'; readonly name: string }
  /** A figure that follows from others: it is read, not changed. */
  | { readonly kind: 'figure'; readonly quantity: Quantity; readonly value: number }
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
  /** A day of every year (MM-DD), or one date (YYYY-MM-DD). */
  | {
      readonly kind: 'day'
      readonly path: string
      readonly label: string
      readonly value: string
      readonly isDate: boolean
    }
  /** A date (YYYY-MM-DD) that follows from elsewhere: it is read, not changed. */
  | { readonly kind: 'date'; readonly value: string }
  /** Days of the week, 0 for Monday. */
  | { readonly kind: 'days'; readonly path: string; readonly label: string; readonly value: readonly number[] }

/** A piece that is changed where it stands; the others are read. */
export type BlankPart = Extract<SentencePart, { path: string }>
export const isBlank = (part: SentencePart): part is BlankPart => 'path' in part

export const text = (wording: string): SentencePart => ({ kind: 'text', text: wording })

/** What colours a rule, its handle and its slider: the cause it answers to. */
export type Cause = 'speed' | 'temperature' | 'humidity' | 'pressure' | 'light' | 'volts' | 'switch' | 'time'

/** What a rule answers to: how high a reading is, a reading past a point, a quick rise of it, its fall, how two readings differ, a contact,
 *  the clock. */
export type Trigger = 'level' | 'threshold' | 'rise' | 'fall' | 'difference' | 'contact' | 'clock'

/** What a rule sees of the response it stands in. */
export type Surroundings = {
  readonly inputs: readonly Input[]
  readonly floor: { readonly speedPct: number }
  readonly ceiling: { readonly speedPct: number; readonly how: 'clip' | 'rescale' }
  /** The day from which growth is counted, YYYY-MM-DD. */
  readonly placedOn?: string | undefined
}

type RuleContext = { readonly response: Surroundings; readonly path: string }

export type CompileContext = {
  readonly response: Surroundings
  readonly memory: MemoryPlan
  readonly inputIndex: (id: string) => number
  /** Where the local time stands: seconds since Monday 00:00, NaN where there is no clock. */
  readonly clockIndex: number
  /** Where the local date stands: days since 1970-01-01, NaN where it is not known. */
  readonly dateIndex: number
}

/** Raises what is asked for in each row of a block, and puts what the rule, number `rule`, asks for in the last (percent, NaN for nothing)
 *  into `asksPct`. The time since the step before was spent in the state before. */
type Ask = (block: Block, memory: Float64Array, asksPct: Float64Array, rule: number) => void

export type CompiledRule<W> = {
  readonly ask: Ask
  /** Why it asks what it asks, with figures, after a step. */
  readonly why: (inputs: Float64Array, memory: Float64Array) => W | CommonWhy
  /** Puts its memory where it would be had the inputs stood like this for long. */
  readonly settle: (inputs: Float64Array, memory: Float64Array) => void
}

/** What every kind may say of why it asks for nothing. */
type CommonWhy = { readonly kind: 'input-lost' } | { readonly kind: 'no-clock' } | { readonly kind: 'no-date' }

/** How figures of a rule's input are said. */
type WhyWords = {
  /** What its input is called. */
  readonly name: string
  /** A reading of its input. */
  readonly point: (x: number) => string
  /** A difference between two readings of it. */
  readonly difference: (x: number) => string
  readonly time: (timeS: number) => string
}

/** How figures of a rule are said in the words of the trade. */
type TradeWords = {
  readonly difference: (by: number) => string
  readonly time: (seconds: number) => string
}

/** A change a sentence offers in its menu. */
export type MoreAction<V> = { readonly label: string; readonly change: (draft: V) => void }

/** A rule that can be added, with figures to start from: common practice, no source. */
export type RuleOffer<R> = {
  readonly sentence: string
  /** What else somebody may type who looks for it. */
  readonly words: string
  /** What a figure typed among the words is. */
  readonly figure?: { readonly quantity: Quantity; readonly typedUnit: string }
  readonly make: (context: OfferContext) => R
}

export type OfferContext = {
  readonly figure: number | null
  readonly floorPct: number
  readonly ceilingPct: number
  /** The first input of its kind that is there, not counting one, or this one, which is then added. */
  readonly ensure: (made: Input, besides?: string) => string
  /** The input of this very name, which is then added where there is none. */
  readonly ensureOwn: (made: Input) => string
  /** This input, added under a free id. */
  readonly added: (made: Input) => string
  /** Sees to it that growth is counted from some day. */
  readonly placedOn: () => void
}

/** Everything the program knows of one kind of rule, so that the next kind is a new file and one line in a table. `W` is why it asks what it asks. */
export type RuleKind<R, W = never> = {
  /** Where in the rule ids of inputs stand: all that name them elsewhere go by these. */
  readonly inputs: (rule: R) => readonly string[]
  readonly check: (rule: R, context: RuleContext) => Problem[]
  readonly compile: (rule: R, context: CompileContext) => CompiledRule<W>
  readonly sentence: (
    rule: R,
    context: { readonly input: Input | undefined; readonly response: Surroundings },
  ) => readonly SentencePart[]
  readonly cause: (input: Input | undefined) => Cause
  readonly trigger: Trigger
  /** What it remembers from one moment to the next. With latches the way down may be another than the way up. */
  readonly memories: (rule: R) => readonly Memory[]
  /** A short name in lists, of what its input is called: "room temperature ramp". */
  readonly name: (input: string) => string
  /** What a controller lacks that has none: "on/off point". */
  readonly title: string
  readonly formula: string
  /** What the trade calls such a rule, with the figure it would name: “proportional band 4 K”. */
  readonly trade: (rule: R, words: TradeWords) => string
  /** Why it asks what it asks, as the middle of a sentence. */
  readonly whyText: (why: Exclude<W, CommonWhy>, words: WhyWords) => string
  /** What its menu offers beside what every rule's does. */
  readonly more: (rule: R) => readonly MoreAction<R>[]
  readonly offers: readonly RuleOffer<R>[]
  /** The speeds it may ask for, percent, each with what sets it apart from its others; null for one that has no name. */
  readonly speeds: (rule: R) => readonly { readonly which?: string | null; readonly pct: number }[]
  /** The rule with each of its speeds moved. */
  readonly withSpeeds: (rule: R, move: (pct: number) => number) => R
  /** Readings of its input at which it changes something. */
  readonly points: (rule: R) => readonly number[]
  /** Differences between readings of its input that it is set to. */
  readonly widths: (rule: R) => readonly number[]
  /** The rule with its points moved by so much. */
  readonly movedBy: (rule: R, by: number) => R
  /** Whether it asks for more as its input falls. */
  readonly asksWhenLow: (rule: R) => boolean
  /** Times of the week at which it changes something. */
  readonly spans: (rule: R) => readonly WeekSpan[]
  /** The time on in each period, where it comes and goes by itself; null where it does not. */
  readonly pulses: (rule: R) => { readonly onS: number; readonly periodS: number } | null
  /** How far back it looks at its input (s); 0 where it looks at it as it is. */
  readonly lookbackS: (rule: R) => number
}

/** What most kinds are. */
export const PLAIN = {
  inputs: (rule: object): readonly string[] => ('input' in rule ? ['input'] : []),
  more: () => [],
  points: () => [],
  widths: () => [],
  movedBy: <R>(rule: R) => rule,
  asksWhenLow: () => false,
  spans: () => [],
  pulses: () => null,
  lookbackS: () => 0,
  memories: () => [],
} as const

/** Of a kind with one speed. */
export const ONE_SPEED = {
  speeds: ({ speedPct }: { readonly speedPct: number }) => [{ pct: speedPct }],
  withSpeeds: <R extends { readonly speedPct: number }>(rule: R, move: (pct: number) => number): R => ({
    ...rule,
    speedPct: move(rule.speedPct),
  }),
}
