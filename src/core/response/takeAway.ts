import { conditionLists, everyCondition } from '@/core/response/conditionLists'
import type { Response } from '@/core/response/schema'

/** Takes a target away; what was tied to it stays where it is written, and what moved with it stands by itself. */
export function takeTargetAway(draft: Response, id: string): void {
  draft.targets = draft.targets?.filter((target) => target.id !== id)
  if (draft.targets?.length === 0) delete draft.targets
  for (const target of draft.targets ?? []) if (target.follows === id) delete target.follows
  for (const rule of draft.rules) if ('target' in rule && rule.target === id) delete rule.target
  for (const { condition } of everyCondition(draft))
    if ('target' in condition && condition.target === id) delete condition.target
}

/** Takes the seasons away, with everything that counts in one of them alone: other values of targets, conditions, and what hung on nothing else. */
export function takeSeasonsAway(draft: Response): void {
  delete draft.seasons
  delete draft.seasonNow
  for (const target of draft.targets ?? []) {
    target.changes = target.changes?.filter(({ season }) => season === undefined)
    if (!target.changes?.length) delete target.changes
  }
  for (const { conditions } of conditionLists(draft))
    conditions.splice(0, conditions.length, ...conditions.filter(({ kind }) => kind !== 'season'))
  for (const rule of draft.rules) if (rule.onlyWhile?.length === 0) delete rule.onlyWhile
  draft.otherOutputs = draft.otherOutputs?.filter(({ onWhen }) => onWhen.length > 0)
  if (draft.otherOutputs?.length === 0) delete draft.otherOutputs
  draft.stepUps = draft.stepUps?.filter(({ onlyWhile }) => onlyWhile.length > 0)
  if (draft.stepUps?.length === 0) delete draft.stepUps
}

/** Counts no days of growth any more; what goes by them goes too. */
export function takeGrowthAway(draft: Response): void {
  delete draft.placedOn
  draft.rules = draft.rules.filter(({ kind }) => kind !== 'by-age')
  for (const target of draft.targets ?? []) delete target.byAge
}
