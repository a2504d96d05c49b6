import { differenceOf } from '@/core/quantity/units'
import type { Condition, Response } from '@/core/response/schema'
import type { Target } from '@/core/response/target'
import { isMeasured } from '@/core/rules/input'
import { text, type MoreAction, type SentencePart } from '@/core/rules/kind'
import { ruleKind, type Rule } from '@/core/rules/table'

type Known = Pick<Response, 'inputs' | 'targets' | 'seasons'>

const targetOf = ({ targets = [] }: Known, id: string | undefined): Target | undefined =>
  targets.find((target) => target.id === id)

/** How far points lie from the target they are tied to: “ (target + 3.0 K)”; nothing where they are tied to none. */
export function distanceParts(
  response: Known,
  id: string | undefined,
  points: readonly number[],
): readonly SentencePart[] {
  const target = targetOf(response, id)
  if (!target) return []
  const quantity = differenceOf(target.kind)
  return [
    text(' ('),
    ...points.flatMap((x, index): SentencePart[] => {
      const by = Number((x - target.at).toFixed(6))
      const named = text(`${index > 0 ? ' to ' : ''}${target.name}`)
      return by === 0
        ? [named]
        : [named, text(by < 0 ? ' − ' : ' + '), { kind: 'figure', quantity, value: Math.abs(by) }]
    }),
    text(')'),
  ]
}

/** What the points of a rule are tied to, as the end of its sentence. */
export function tieParts(rule: Rule, response: Known): readonly SentencePart[] {
  const target = 'target' in rule ? targetOf(response, rule.target) : undefined
  if (!target) return []
  return [
    text(' Its points go with the target:'),
    ...distanceParts(response, target.id, ruleKind(rule).points(rule)),
    text('.'),
  ]
}

/** The season a condition names, to be chosen where there are several. */
export const seasonPart = ({ seasons = [] }: Known, path: string, id: string): SentencePart => ({
  kind: 'choice',
  path,
  label: 'season',
  value: id,
  options: seasons.map(({ id: value, name }) => [value, name] as const),
})

/** Ties the points of a rule to a target of the kind it reads, or frees them. */
export function tieRuleActions(rule: Rule, response: Known): readonly MoreAction<Rule>[] {
  if (!('onAt' in rule) && !('fullAt' in rule)) return []
  if (rule.target !== undefined)
    return [
      { label: 'Free its points from the target', change: (draft) => void ('target' in draft && delete draft.target) },
    ]
  if (rule.setPoints) return []
  const kind = response.inputs.find(({ id }) => id === rule.input)?.kind
  return (response.targets ?? [])
    .filter((target) => target.kind === kind)
    .map(({ id, name }) => ({
      label: `Tie its points to ${name}`,
      change: (draft) => void Object.assign(draft, { target: id }),
    }))
}

/** Ties the last condition of a list to a target of the kind it reads, or frees it. */
export function tieConditionActions<K extends 'onlyWhile' | 'onWhen' | 'notWhile'>(
  list: K,
  conditions: readonly Condition[],
  response: Known,
): readonly MoreAction<{ [P in K]?: Condition[] }>[] {
  const last = conditions.at(-1)
  if (last?.kind !== 'input' && last?.kind !== 'between') return []
  const input = response.inputs.find(({ id }) => id === last.input)
  const put = (target: string | undefined) => (draft: { [P in K]?: Condition[] }) => {
    const held = draft[list]?.at(-1)
    if (held?.kind !== 'input' && held?.kind !== 'between') return
    if (target === undefined) delete held.target
    else held.target = target
  }
  const named = input && isMeasured(input) ? input.name : last.input
  if (last.target !== undefined)
    return [{ label: `Free the point of ${named} from the target`, change: put(undefined) }]
  return (response.targets ?? [])
    .filter(({ kind }) => kind === input?.kind)
    .map(({ id, name }) => ({ label: `Tie the point of ${named} to ${name}`, change: put(id) }))
}
