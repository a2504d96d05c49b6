import type { Response } from '@/core/response/schema'
import type { WeekSpan } from '@/core/rules/weekSpan'
import { conditionSpans } from '@/core/rules/condition'
import { ruleSpans } from '@/core/rules/table'

/** Every time of the week in which a clock changes something: day and night, periods, moved points. */
export const weekSpans = ({
  rules,
  dayByWeek = [],
  otherOutputs = [],
  targets = [],
  stepUps = [],
}: Response): readonly WeekSpan[] => [
  ...dayByWeek,
  ...rules.flatMap((rule) => (rule.off ? [] : ruleSpans(rule))),
  ...targets.flatMap(({ changes = [] }) => changes.flatMap(({ spans = [] }) => spans)),
  ...stepUps.flatMap(({ onlyWhile }) => onlyWhile.flatMap(conditionSpans)),
  ...otherOutputs.flatMap(({ onWhen, notWhile }) => [...onWhen, ...notWhile].flatMap(conditionSpans)),
]
