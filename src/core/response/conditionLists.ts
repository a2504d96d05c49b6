import type { Condition, Response } from '@/core/response/schema'

/** Conditions that hang on one thing, and where they stand. */
type ConditionList = { readonly path: string; readonly conditions: Condition[] }

/** Every list of conditions in a response: what rules, other outputs and gears hang on. */
export const conditionLists = ({ rules, otherOutputs = [], stepUps = [] }: Response): ConditionList[] => [
  ...rules.flatMap(({ onlyWhile }, index) =>
    onlyWhile ? [{ path: `rules.${index}.onlyWhile`, conditions: onlyWhile }] : [],
  ),
  ...otherOutputs.flatMap(({ onWhen, notWhile }, index) => [
    { path: `otherOutputs.${index}.onWhen`, conditions: onWhen },
    { path: `otherOutputs.${index}.notWhile`, conditions: notWhile },
  ]),
  ...stepUps.map(({ onlyWhile }, index) => ({
    path: `stepUps.${index}.onlyWhile`,
    conditions: onlyWhile,
  })),
]

/** Every condition, and where it stands: those of the lists, and the readings by which fans join a ladder. */
export const everyCondition = (response: Response): { readonly path: string; readonly condition: Condition }[] => [
  ...conditionLists(response).flatMap(({ path, conditions }) =>
    conditions.map((condition, place) => ({ path: `${path}.${place}`, condition })),
  ),
  ...(response.stages?.fixed ?? []).flatMap(({ joinsWhile }, index) =>
    joinsWhile ? [{ path: `stages.fixed.${index}.joinsWhile`, condition: joinsWhile }] : [],
  ),
]
