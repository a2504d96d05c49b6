import type { Brief, Target } from '@/core/brief/schema'
import { heatRemoval } from '@/core/calculation/flow/heatRemoval'
import type { CalculationValues } from '@/core/calculation/runCalculation'
import type { AnyCalculation } from '@/core/calculation/calculation'
import type { Caution } from '@/core/duty/cautions'
import { flowForHeatLs } from '@/core/physics/heatFlow'
import type { Signal } from '@/core/physics/signal'
import type { Quantity } from '@/core/quantity/units'
import { RESPONSE_SCHEMA, type FloorReason, type Response } from '@/core/response/schema'

/** One question of a brief, in the order in which a technician asks. */
export type Question = {
  readonly id: string
  readonly ask: string
  /** What it costs not to know yet. */
  readonly unknown: string
  /** A wrong answer can hurt somebody: it is never confirmed together with others. */
  readonly isSafety?: true
} & (
  | {
      readonly kind: 'number'
      readonly quantity: Quantity
      readonly start: number
      readonly limits: readonly [min: number, max: number]
    }
  | {
      readonly kind: 'choice'
      readonly start: string
      readonly options: readonly (readonly [value: string, shown: string])[]
    }
  | { readonly kind: 'yes'; /** null: not known until somebody has looked. */ readonly start: boolean | null }
)

export type Flow = {
  readonly flowLs: number
  readonly why: string
  readonly source: string
  /** The calculation that gives it, with what was put in. */
  readonly by?: { readonly calculation: AnyCalculation; readonly values: CalculationValues }
}

/** The flow that carries heat away, as a duty wants it; null without a load. */
export const flowForHeat = (loadW: number | null, riseK: number | null, why: string): Flow | null =>
  loadW !== null && riseK !== null && loadW > 0
    ? {
        flowLs: flowForHeatLs(loadW, riseK),
        why,
        source: 'energy balance',
        by: { calculation: heatRemoval, values: { P: loadW, dT: riseK } },
      }
    : null

/** What follows from the answers. */
type Follows = {
  readonly targets: readonly Target[]
  /** Never to fall below: becomes a reason of the floor. */
  readonly least: Flow | null
  /** Wanted at the most. */
  readonly most: Flow | null
  readonly cautions: readonly Caution[]
  /** Reasons of the floor that no reading gives. */
  readonly floors?: readonly FloorReason[]
  /** What must still be measured or found out, in words. */
  readonly later: readonly string[]
}

/** The answers as a duty reads them: null where nobody knows yet. */
export type AnswerReader = {
  readonly number: (id: string) => number | null
  readonly choice: (id: string) => string | null
  readonly yes: (id: string) => boolean | null
  readonly space: Brief['space']
}

export type DutyPlan = {
  readonly questions: readonly Question[]
  readonly follows: (answers: AnswerReader) => Follows
  /** A sensible first response, to be changed. */
  readonly response: (answers: AnswerReader) => Response
  readonly signal: Signal
}

type Answers = NonNullable<Brief['answers']>

/** A question that stands at its starting value because nobody has said anything yet: it counts as open until it is confirmed. */
export const isAssumed = ({ id, start }: Question, { answers = {} }: Pick<Brief, 'answers'>): boolean =>
  !(id in answers) && start !== null

/** Answers that were never given stand at their starting value; one that does not fit its question counts as not known. */
export function answerReader(
  { questions }: Pick<DutyPlan, 'questions'>,
  { answers = {}, space }: Pick<Brief, 'answers' | 'space'>,
): AnswerReader {
  const held = (id: string): Answers[string] => {
    const question = questions.find((candidate) => candidate.id === id)
    if (!question) throw new RangeError(`no question ${id}`)
    return id in answers ? answers[id]! : question.start
  }
  const isOffered = (id: string, value: string): boolean =>
    questions.some(
      (question) =>
        question.id === id && question.kind === 'choice' && question.options.some(([known]) => known === value),
    )
  return {
    space,
    number: (id) => {
      const value = held(id)
      return typeof value === 'number' ? value : null
    },
    choice: (id) => {
      const value = held(id)
      return typeof value === 'string' && isOffered(id, value) ? value : null
    },
    yes: (id) => {
      const value = held(id)
      return typeof value === 'boolean' ? value : null
    },
  }
}

export const ask = {
  number: (
    id: string,
    question: string,
    quantity: Quantity,
    start: number,
    limits: readonly [min: number, max: number],
    unknown: string,
  ): Question => ({ kind: 'number', id, ask: question, quantity, start, limits, unknown }),
  choice: (
    id: string,
    question: string,
    start: string,
    options: readonly (readonly [value: string, shown: string])[],
    unknown: string,
  ): Question => ({ kind: 'choice', id, ask: question, start, options, unknown }),
  yes: (id: string, question: string, start: boolean | null, unknown: string): Question => ({
    kind: 'yes',
    id,
    ask: question,
    start,
    unknown,
  }),
  /** Yes or no about something that can hurt somebody: answered by itself. */
  safety: (id: string, question: string, start: boolean | null, unknown: string): Question => ({
    ...ask.yes(id, question, start, unknown),
    isSafety: true,
  }),
}

export const target = (
  quantity: Target['quantity'],
  bandFrom: number,
  bandTo: number,
  limitAbove: number | null,
  why: string,
  source = 'common practice, no source',
): Target => ({ quantity, bandFrom, bandTo, limitAbove, why, source })

/** A response with one fan and nothing else, for a duty to fill. */
export const bareResponse = (floorPct: number, parts: Partial<Response>): Response => ({
  schema: RESPONSE_SCHEMA,
  lead: 'fan',
  inputs: [],
  floor: { speedPct: floorPct, reasons: [] },
  ceiling: { speedPct: 100, how: 'clip' },
  rules: [],
  startKick: null,
  followers: [],
  steps: { stepPct: 0, rounding: 'nearest' },
  ...parts,
})
