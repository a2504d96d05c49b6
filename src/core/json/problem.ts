import { assertNever } from '@/core/json/assertNever'

/** What is wrong, where (`path`, dotted, '' for the whole), and the figures. `problemText` makes the words. */
export type Problem = { readonly path: string } & (
  | { readonly code: 'not_a_number'; readonly got: string; readonly hint: string }
  | { readonly code: 'unknown_unit'; readonly got: string; readonly what: string; readonly known: string }
  | { readonly code: 'ambiguous_comma'; readonly got: string }
  | {
      readonly code: 'implausible'
      readonly what: string
      readonly got: string
      readonly min: string
      readonly max: string
      readonly meant?: string
    }
  | {
      readonly code: 'out_of_range'
      readonly what: string
      readonly got: number
      readonly min: number
      readonly max: number
      readonly unit: string
    }
  | { readonly code: 'empty_band'; readonly what: string; readonly at: number }
  | {
      readonly code: 'order'
      readonly low: string
      readonly lowValue: number
      readonly high: string
      readonly highValue: number
      readonly unit: string
    }
  | { readonly code: 'unknown_id'; readonly what: string; readonly got: string; readonly known: readonly string[] }
  | { readonly code: 'duplicate_id'; readonly what: string; readonly got: string }
  | { readonly code: 'missing'; readonly what: string }
  | { readonly code: 'unknown_schema'; readonly got: string; readonly known: string }
  | { readonly code: 'newer_schema'; readonly got: string; readonly known: string }
  | { readonly code: 'not_json'; readonly detail: string }
  | { readonly code: 'shape'; readonly detail: string }
  | { readonly code: 'wrong_kind'; readonly what: string; readonly got: string; readonly needs: string }
  | { readonly code: 'said'; readonly text: string }
)

export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] }

export const good = <T>(value: T): Outcome<T> => ({ ok: true, value })
export const bad = (...problems: Problem[]): { readonly ok: false; readonly problems: readonly Problem[] } => ({
  ok: false,
  problems,
})

function orderText({ low, lowValue, high, highValue, unit }: Extract<Problem, { code: 'order' }>): string {
  const figure = (x: number) => [Number(x.toPrecision(6)), unit].filter((part) => part !== '').join(' ')
  return `${low} (${figure(lowValue)}) is ${lowValue === highValue ? 'not below' : 'above'} ${high} (${figure(highValue)}).`
}

/** The problem in one plain sentence, without its path. */
export function problemText(problem: Problem): string {
  switch (problem.code) {
    case 'not_a_number':
      return `“${problem.got}” is not a number; write for example ${problem.hint}.`
    case 'unknown_unit':
      return `“${problem.got}” is not a unit of ${problem.what}; use ${problem.known}.`
    case 'ambiguous_comma':
      return `“${problem.got}” can be read in two ways; write it with a point, or without the comma.`
    case 'implausible':
      return `${problem.got} is outside what a ${problem.what} can be here (${problem.min} to ${problem.max}).${problem.meant ? ` Did you mean ${problem.meant}?` : ''}`
    case 'out_of_range':
      return `${problem.what} is ${problem.got} ${problem.unit}; it must lie between ${problem.min} and ${problem.max} ${problem.unit}.`
    case 'empty_band':
      return `${problem.what} starts and is full at the same point (${problem.at}); give it a span, or use an on/off rule.`
    case 'order':
      return orderText(problem)
    case 'unknown_id':
      return `There is no ${problem.what} “${problem.got}”${problem.known.length ? `; known: ${problem.known.join(', ')}` : ''}.`
    case 'duplicate_id':
      return `Two ${problem.what} are called “${problem.got}”; give one another id.`
    case 'missing':
      return `${problem.what} is missing.`
    case 'unknown_schema':
      return `This says it is “${problem.got}”, which this program does not know; it reads ${problem.known}.`
    case 'newer_schema':
      return `This is “${problem.got}”, newer than this program, which reads up to ${problem.known}. Update Soft Gale, or ask for an older export.`
    case 'not_json':
      return `This is not readable JSON: ${problem.detail}.`
    case 'shape':
      return `${problem.detail}.`
    case 'wrong_kind':
      return `${problem.what} is a ${problem.got}; this needs a ${problem.needs}.`
    case 'said':
      return problem.text
    default:
      return assertNever(problem)
  }
}

export const problemLine = (problem: Problem): string =>
  problem.path ? `${problem.path}: ${problemText(problem)}` : problemText(problem)
