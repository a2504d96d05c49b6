import type { Response } from '@/core/response/schema'
import type { WeekSpan } from '@/core/rules/common'
import { ruleKind } from '@/core/rules/table'

/** Every time of the week in which a clock changes something: day and night, periods, moved points. */
export const weekSpans = ({ rules, dayByWeek = [] }: Response): readonly WeekSpan[] => [
  ...dayByWeek,
  ...rules.flatMap((rule) => (rule.off ? [] : ruleKind(rule).spans(rule))),
]
