import type { Response } from '@/core/response/schema'
import { conditionSpans } from '@/core/rules/condition'
import { ruleKind, ruleSpans } from '@/core/rules/table'
import type { WeekSpan } from '@/core/rules/weekSpan'

/** Times of the week of one thing that hangs on the clock. */
export type NamedSpans = {
  /** What of the response waits for these hours. */
  readonly name: string
  /** Painted as a week, runs in them by itself, or is only permitted. */
  readonly how: 'painted' | 'runs' | 'permitted'
  readonly spans: readonly WeekSpan[]
}

/** All that hangs on the clock: day and night, rules with hours of their own, moved points, steps and outputs that wait for an hour. */
export const namedSpans = ({
  rules,
  dayByWeek = [],
  otherOutputs = [],
  targets = [],
  stepUps = [],
}: Response): readonly NamedSpans[] => [
  { name: 'day by the clock', how: 'permitted', spans: dayByWeek },
  ...rules
    .filter((rule) => !rule.off)
    .map((rule) => ({
      name: rule.note ?? ruleKind(rule).title,
      how: 'periods' in rule ? ('painted' as const) : 'spans' in rule ? ('runs' as const) : ('permitted' as const),
      spans: ruleSpans(rule),
    })),
  ...targets.map(({ id, changes = [] }) => ({
    name: `target ${id}`,
    how: 'permitted' as const,
    spans: changes.flatMap(({ spans = [] }) => spans),
  })),
  {
    name: 'step up',
    how: 'permitted',
    spans: stepUps.flatMap(({ onlyWhile }) => onlyWhile.flatMap(conditionSpans)),
  },
  ...otherOutputs.map(({ name, onWhen, notWhile }) => ({
    name,
    how: 'permitted' as const,
    spans: [...onWhen, ...notWhile].flatMap(conditionSpans),
  })),
]

/** Every time of the week in which a clock changes something. */
export const weekSpans = (response: Response): readonly WeekSpan[] => namedSpans(response).flatMap(({ spans }) => spans)
