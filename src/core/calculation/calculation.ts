import type { Quantity } from '@/core/quantity/units'

export type NumberInput = {
  readonly kind: 'number'
  readonly name: string
  readonly quantity: Quantity
  /** What stands in the field before anyone types: a value of everyday. */
  readonly start: number
  /** Narrower than what such a quantity can be at all. */
  readonly limits?: readonly [min: number, max: number]
}
export type ChoiceInput<T extends string> = {
  readonly kind: 'choice'
  readonly name: string
  readonly start: T
  readonly options: readonly (readonly [value: T, shown: string])[]
}
/** Several readings of one quantity. */
export type ListInput = {
  readonly kind: 'list'
  readonly name: string
  readonly quantity: Quantity
  readonly start: readonly number[]
}
export type CalculationInput = NumberInput | ChoiceInput<string> | ListInput

export type CalculationOutput = { readonly name: string; readonly quantity: Quantity; readonly decimals?: number }

type Given<I> = {
  readonly [K in keyof I]: I[K] extends NumberInput
    ? number
    : I[K] extends ChoiceInput<infer T>
      ? T
      : I[K] extends ListInput
        ? readonly number[]
        : never
}

export const GROUPS = ['air', 'flow', 'fans', 'required flow', 'livestock', 'refrigeration', 'signals'] as const

/** One calculation: what goes in, what comes out, how, and from where. `{key}` in the formula stands for the input of that name. */
export type Calculation<I extends Record<string, CalculationInput>, O extends Record<string, CalculationOutput>> = {
  readonly id: string
  readonly name: string
  readonly group: (typeof GROUPS)[number]
  /** Other words a person may look for it by. */
  readonly words: string
  readonly inputs: I
  readonly outputs: O
  readonly formula: string
  readonly source: string
  /** What the figure does not say. */
  readonly caution?: string
  /** All figures in base units; NaN for one that does not exist. A text instead says why there is no result, and the way out. */
  readonly run: (given: Given<I>) => { readonly [K in keyof O]: number } | string
  /** What a colleague would say of these figures, and what they do not prove. */
  readonly verdict?: (given: Given<I>, results: { readonly [K in keyof O]: number }) => string
}

export type AnyCalculation = Calculation<Record<string, CalculationInput>, Record<string, CalculationOutput>>

/** Checks the parts of a calculation against each other and forgets their exact types, so that all can stand in one list. */
export const defineCalculation = <
  const I extends Record<string, CalculationInput>,
  const O extends Record<string, CalculationOutput>,
>(
  calculation: Calculation<I, O>,
): AnyCalculation => calculation as unknown as AnyCalculation

export const number = (
  name: string,
  quantity: Quantity,
  start: number,
  limits?: readonly [min: number, max: number],
): NumberInput => ({ kind: 'number', name, quantity, start, ...(limits ? { limits } : {}) })

export const choice = <const T extends string>(
  name: string,
  start: T,
  options: readonly (readonly [value: T, shown: string])[],
): ChoiceInput<T> => ({ kind: 'choice', name, start, options })

export const readings = (name: string, quantity: Quantity, start: readonly number[]): ListInput => ({
  kind: 'list',
  name,
  quantity,
  start,
})

export const out = (name: string, quantity: Quantity, decimals?: number): CalculationOutput => ({
  name,
  quantity,
  ...(decimals === undefined ? {} : { decimals }),
})
