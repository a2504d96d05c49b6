import type { Problem } from '@/core/json/problem'
import { everyCondition } from '@/core/response/conditionLists'
import type { Response } from '@/core/response/schema'
import { ageProblems } from '@/core/rules/ageTable'
import { emptySpan } from '@/core/rules/weekSpan'

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
    ...everyCondition(response).flatMap(({ path, condition }) =>
      'target' in condition ? tied(`${path}.target`, condition.target, condition.input) : [],
    ),
  ]
}
