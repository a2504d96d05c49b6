import type { Stage } from '@/core/prove/stage'
import type { CheckSays, Measure, Note, StepSays } from '@/core/prove/words'

/** One speed to be read: at the end of a stage, and what is said to do there. */
export type Step = {
  readonly stage: number
  readonly bring: StepSays
  /** Input ids whose readings count here; the first ones are those that were brought there. */
  readonly reads: readonly string[]
}

/** What is looked at where nothing is measured: whether every fan stands, the lead runs faster than that, an output is as expected; or
 *  nothing that the controller does. */
type Look =
  | { readonly kind: 'fans' }
  | { readonly kind: 'lead'; readonly abovePct: number }
  | { readonly kind: 'output'; readonly id: string }
  | { readonly kind: 'person' }

/** One thing to do and see. A `speed` check reads the fans at one or several steps and is judged by what the response gives at what was really
 *  read; a `time` check is judged by the stopwatch; a `seen` one by the eye. */
export type Check = {
  readonly id: string
  /** What it says, by code; `checkText` makes the sentences. */
  readonly says: CheckSays
  readonly note?: Note
  /** The local time, in seconds of the week, at which it is done. */
  readonly atClock?: number
  /** The local date, in days since 1970-01-01, at which it is done. */
  readonly atDate?: number
  /** Day or night, where it is done in one of them. */
  readonly inMode?: 'day' | 'night'
  readonly measure: Measure
  readonly waitS: number
  /** What is done, in the terms of the machine: what a simulated site is put through. */
  readonly stages: readonly Stage[]
} & (
  | {
      readonly kind: 'speed'
      readonly steps: readonly Step[]
      /** Judged by the difference between the steps, which does not depend on where probe and reference are off. */
      readonly compares?: true
    }
  | {
      readonly kind: 'time'
      readonly expectS: number
      /** The speed it is timed from and to: it counts as over half way between. */
      readonly fromPct: number
      readonly toPct: number
    }
  | { readonly kind: 'seen'; readonly look: Look }
)

export type CheckOf<K extends Check['kind']> = Extract<Check, { kind: K }>
