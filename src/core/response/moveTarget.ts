import { everyCondition } from '@/core/response/conditionLists'
import type { Response } from '@/core/response/schema'
import { ruleKind } from '@/core/rules/table'

/** Puts a target to another value: what is tied to it keeps its distance, and so do the values it has for a time and what follows it. */
export function moveTarget(draft: Response, id: string, to: number): void {
  const target = draft.targets?.find((candidate) => candidate.id === id)
  if (!target) return
  const by = to - target.at
  const moved = (x: number): number => Number((x + by).toFixed(6))
  target.at = to
  for (const change of target.changes ?? []) change.at = moved(change.at)
  for (const row of target.byAge ?? []) row.at = moved(row.at)
  for (const follower of draft.targets ?? [])
    if (follower.follows === id) moveTarget(draft, follower.id, moved(follower.at))
  for (const { condition } of everyCondition(draft)) {
    if (condition.kind === 'input' && condition.target === id) condition.at = moved(condition.at)
    if (condition.kind === 'between' && condition.target === id) {
      condition.from = moved(condition.from)
      condition.to = moved(condition.to)
    }
  }
  for (const rule of draft.rules) {
    if ('target' in rule && rule.target === id) Object.assign(rule, ruleKind(rule).movedBy(rule, by))
  }
}
