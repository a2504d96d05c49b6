import type { Response } from '@/core/response/schema'
import { conditionSpans } from '@/core/rules/condition'
import { ruleKind, ruleSpans } from '@/core/rules/table'
import type { WeekSpan } from '@/core/rules/weekSpan'

const DAY_MIN = 1440

/** What of a span lies on one day. */
export type Piece = {
  /** Day of the week on which it lies, 0 for Monday. */
  readonly day: number
  readonly fromMin: number
  readonly toMin: number
  /** The day on which its span begins: the day before for what runs on over midnight. */
  readonly ownDay: number
}

/** Each span day by day; one that ends before it starts is two pieces, and Sunday runs on into Monday. */
export const piecesOf = ({ days, startMin, endMin }: WeekSpan): readonly Piece[] =>
  days.flatMap((day): Piece[] =>
    endMin > startMin
      ? [{ day, fromMin: startMin, toMin: endMin, ownDay: day }]
      : [
          { day, fromMin: startMin, toMin: DAY_MIN, ownDay: day },
          ...(endMin > 0 ? [{ day: (day + 1) % 7, fromMin: 0, toMin: endMin, ownDay: day }] : []),
        ],
  )

export type OtherSpans = {
  /** What of the response waits for these hours. */
  readonly name: string
  /** Runs in them by itself, or is only permitted. */
  readonly how: 'runs' | 'permitted'
  readonly pieces: readonly Piece[]
}

/** All that hangs on the clock beside the painted weeks: rules with hours of their own, moved points, outputs and steps that wait for an hour. */
export function otherClockSpans({
  rules,
  dayByWeek = [],
  otherOutputs = [],
  targets = [],
  stepUps = [],
}: Response): readonly OtherSpans[] {
  const all: OtherSpans[] = [
    { name: 'day by the clock', how: 'permitted', pieces: dayByWeek.flatMap(piecesOf) },
    ...rules
      .filter((rule) => !rule.off && !('periods' in rule))
      .map((rule) => ({
        name: rule.note ?? ruleKind(rule).title,
        how: 'spans' in rule ? ('runs' as const) : ('permitted' as const),
        pieces: ruleSpans(rule).flatMap(piecesOf),
      })),
    ...targets.map(({ id, changes = [] }) => ({
      name: `target ${id}`,
      how: 'permitted' as const,
      pieces: changes.flatMap(({ spans = [] }) => spans).flatMap(piecesOf),
    })),
    {
      name: 'step up',
      how: 'permitted',
      pieces: stepUps.flatMap(({ onlyWhile }) => onlyWhile.flatMap(conditionSpans)).flatMap(piecesOf),
    },
    ...otherOutputs.map(({ name, onWhen, notWhile }) => ({
      name,
      how: 'permitted' as const,
      pieces: [...onWhen, ...notWhile].flatMap(conditionSpans).flatMap(piecesOf),
    })),
  ]
  return all.filter(({ pieces }) => pieces.length > 0)
}
