import type { Condition, Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import { ruleInputId, ruleKind } from '@/core/rules/table'

/** Readings of an input at which a response changes something, by itself or as part of a combined input; in what the sensor says. */
export function pointsOn(response: Response, id: string): number[] {
  const input = response.inputs.find((candidate) => candidate.id === id)
  const offset = (input && isMeasured(input) && input.offset) || 0
  const combined = response.inputs.flatMap((other) =>
    isMeasured(other) && other.combines && other.combines.how !== 'difference' && other.combines.of.includes(id)
      ? pointsOn(response, other.id)
      : [],
  )
  return [...own(response, id), ...combined].map((x) => x - offset)
}

/** Readings of an input at which a condition comes or goes by that input alone. */
const conditionPoints = (condition: Condition, id: string): number[] =>
  condition.kind === 'input' && condition.input === id
    ? [condition.at]
    : condition.kind === 'between' && condition.input === id
      ? [condition.from, condition.to]
      : []

function own({ rules, reductions = [], otherOutputs = [], light, overrides }: Response, id: string): number[] {
  return [
    ...rules.flatMap((rule) => (rule.off || ruleInputId(rule) !== id ? [] : ruleKind(rule).points(rule))),
    ...rules.flatMap(({ off, onlyWhile = [] }) => (off ? [] : onlyWhile.flatMap((each) => conditionPoints(each, id)))),
    ...reductions.flatMap(({ input, at }) => (input === id ? [at] : [])),
    ...otherOutputs.flatMap(({ onWhen, notWhile }) =>
      [...onWhen, ...notWhile].flatMap((condition) => conditionPoints(condition, id)),
    ),
    ...(light?.input === id ? [light.level] : []),
    ...(overrides?.overheat?.input === id ? [overrides.overheat.onAt, overrides.overheat.offBelow] : []),
  ]
}
