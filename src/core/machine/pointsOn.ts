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

/** How far a target may be moved, by changes and by age; 0 first. What it follows moves it too. */
function movesOf({ targets = [] }: Pick<Response, 'targets'>, id: string | undefined, deep = 0): number[] {
  const target = targets.find((candidate) => candidate.id === id)
  if (!target || deep > targets.length) return [0]
  const own = [...(target.changes ?? []), ...(target.byAge ?? [])].map(({ at }) => at - target.at)
  return [...new Set([...movesOf({ targets }, target.follows, deep + 1), ...own])]
}

/** Readings of an input at which a condition comes or goes by that input alone. */
const conditionPoints = (condition: Condition, id: string, response: Response): number[] =>
  condition.kind === 'input' && condition.input === id
    ? moved(response, [condition.at], condition.target)
    : condition.kind === 'between' && condition.input === id
      ? moved(response, [condition.from, condition.to], condition.target)
      : []

const moved = (response: Response, points: readonly number[], target: string | undefined): number[] =>
  movesOf(response, target).flatMap((by) => points.map((x) => x + by))

function own(response: Response, id: string): number[] {
  const { rules, reductions = [], otherOutputs = [], stepUps = [], stages, light, overrides } = response
  const conditions = [
    ...rules.flatMap(({ off, onlyWhile = [] }) => (off ? [] : onlyWhile)),
    ...otherOutputs.flatMap(({ onWhen, notWhile }) => [...onWhen, ...notWhile]),
    ...stepUps.flatMap(({ onlyWhile }) => onlyWhile),
    ...(stages?.fixed ?? []).flatMap(({ joinsWhile }) => joinsWhile ?? []),
  ]
  return [
    ...rules.flatMap((rule) =>
      rule.off || ruleInputId(rule) !== id
        ? []
        : moved(response, ruleKind(rule).points(rule), 'target' in rule ? rule.target : undefined),
    ),
    ...conditions.flatMap((condition) => conditionPoints(condition, id, response)),
    ...reductions.flatMap(({ input, at }) => (input === id ? [at] : [])),
    ...(light?.input === id ? [light.level] : []),
    ...(overrides?.overheat?.input === id ? [overrides.overheat.onAt, overrides.overheat.offBelow] : []),
  ]
}
