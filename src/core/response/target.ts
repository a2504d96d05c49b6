import { Type, type Static } from '@sinclair/typebox'
import type { Problem } from '@/core/json/problem'
import { about, closed, Id, Name } from '@/core/json/vocabulary'
import type { Response } from '@/core/response/schema'
import { MODES } from '@/core/rules/common'
import { MEASURED } from '@/core/rules/input'
import { ruleKind } from '@/core/rules/table'
import { ageProblems } from '@/core/rules/ageTable'
import { emptySpan, WeekSpan } from '@/core/rules/weekSpan'

/** Another value of a target for as long as all of what is named here stands. */
export const TargetChange = Type.Object(
  {
    mode: about('by day or by night alone', Type.Optional(Type.Union(MODES.map((mode) => Type.Literal(mode))))),
    season: about('in this season alone', Type.Optional(Id)),
    spans: about(
      'within these times of the week alone',
      Type.Optional(Type.Array(WeekSpan, { minItems: 1, maxItems: 14 })),
    ),
    at: about('the target meanwhile, in the base unit of its kind', Type.Number()),
  },
  closed,
)

/** What a room is to have. Points that are tied to it keep their distance from it, whatever moves it. */
export const Target = Type.Object(
  {
    id: Id,
    name: Name,
    kind: about('what it is of: °C, %RH, Pa, lx, V', Type.Union(MEASURED.map((kind) => Type.Literal(kind)))),
    at: about('the target, in the base unit of its kind', Type.Number()),
    changes: about(
      'other values of it for a time; of several the first that stands counts',
      Type.Optional(Type.Array(TargetChange, { minItems: 1, maxItems: 12 })),
    ),
    byAge: about(
      'the target by days of growth since `placedOn`, straight lines between; it stands instead of `at`',
      Type.Optional(
        Type.Array(
          Type.Object(
            {
              day: about('day of growth, 0 the day they came', Type.Integer({ minimum: 0, maximum: 1000 })),
              at: about('the target on that day', Type.Number()),
            },
            closed,
          ),
          { minItems: 2, maxItems: 24 },
        ),
      ),
    ),
    follows: about('another target whose moves it makes too, so that the distance stays', Type.Optional(Id)),
  },
  closed,
)
export type Target = Static<typeof Target>

/** Targets that follow one another in a ring, what a change names, and what is tied to a target of another kind. */
export function targetProblems(response: Response): Problem[] {
  const { targets = [], seasons = [], inputs } = response
  const ids = targets.map(({ id }) => id)
  const kindOf = (id: string) => targets.find((target) => target.id === id)?.kind
  const ring = (from: string): boolean => {
    const seen = new Set<string>()
    let at: string | undefined = from
    while (at !== undefined && !seen.has(at)) {
      seen.add(at)
      at = targets.find(({ id }) => id === at)?.follows
    }
    return at === from
  }
  const tied = (path: string, id: string | undefined, input: string): Problem[] => {
    if (id === undefined) return []
    const [kind, read] = [kindOf(id), inputs.find((candidate) => candidate.id === input)]
    if (!kind) return [{ code: 'unknown_id', path, what: 'target', got: id, known: ids }]
    return read && read.kind !== kind
      ? [{ code: 'wrong_kind', path, what: `“${read.name}”`, got: read.kind, needs: `${kind} input` }]
      : []
  }
  const conditions = [
    ...response.rules.flatMap(({ onlyWhile = [] }, index) =>
      onlyWhile.map((condition, place) => ({ condition, path: `rules.${index}.onlyWhile.${place}` })),
    ),
    ...(response.otherOutputs ?? []).flatMap(({ onWhen, notWhile }, index) => [
      ...onWhen.map((condition, place) => ({ condition, path: `otherOutputs.${index}.onWhen.${place}` })),
      ...notWhile.map((condition, place) => ({ condition, path: `otherOutputs.${index}.notWhile.${place}` })),
    ]),
  ]
  return [
    ...ids.flatMap((id, index): Problem[] =>
      ids.indexOf(id) < index ? [{ code: 'duplicate_id', path: `targets.${index}.id`, what: 'targets', got: id }] : [],
    ),
    ...targets.flatMap(({ id, follows, changes = [], byAge = [], kind }, index): Problem[] => {
      const path = `targets.${index}`
      return [
        ...(follows !== undefined && !ids.includes(follows)
          ? [{ code: 'unknown_id' as const, path: `${path}.follows`, what: 'target', got: follows, known: ids }]
          : []),
        ...(follows !== undefined && ring(id)
          ? [{ code: 'target_ring' as const, path: `${path}.follows`, got: id }]
          : []),
        ...(follows !== undefined && ids.includes(follows) && kindOf(follows) !== kind
          ? [
              {
                code: 'wrong_kind' as const,
                path: `${path}.follows`,
                what: `“${follows}”`,
                got: kindOf(follows)!,
                needs: kind,
              },
            ]
          : []),
        ...changes.flatMap(({ mode, season, spans }, place): Problem[] => [
          ...(mode === undefined && season === undefined && spans === undefined
            ? [{ code: 'change_without_time' as const, path: `${path}.changes.${place}` }]
            : []),
          ...(season !== undefined && !seasons.some((known) => known.id === season)
            ? [
                {
                  code: 'unknown_id' as const,
                  path: `${path}.changes.${place}.season`,
                  what: 'season',
                  got: season,
                  known: seasons.map((known) => known.id),
                },
              ]
            : []),
          ...(spans ?? []).flatMap((span, at) => emptySpan(span, `${path}.changes.${place}.spans.${at}`)),
        ]),
        ...ageProblems(byAge, `${path}.byAge`),
        ...(byAge.length > 0 && response.placedOn === undefined
          ? [{ code: 'no_placing' as const, path: `${path}.byAge` }]
          : []),
      ]
    }),
    ...response.rules.flatMap((rule, index) =>
      'target' in rule && rule.target !== undefined
        ? [
            ...tied(`rules.${index}.target`, rule.target, rule.input),
            ...(rule.setPoints ? [{ code: 'moved_twice' as const, path: `rules.${index}.setPoints` }] : []),
          ]
        : [],
    ),
    ...conditions.flatMap(({ condition, path }) =>
      'target' in condition ? tied(`${path}.target`, condition.target, condition.input) : [],
    ),
  ]
}

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
  const conditions = [
    ...draft.rules.flatMap(({ onlyWhile = [] }) => onlyWhile),
    ...(draft.otherOutputs ?? []).flatMap(({ onWhen, notWhile }) => [...onWhen, ...notWhile]),
  ]
  for (const condition of conditions) {
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
