import type { Problem } from '@/core/json/problem'
import { conditionProblems } from '@/core/machine/checkConditions'
import type { Response } from '@/core/response/schema'

/** The limits of the night lie inside those of the day, and need a night. */
export function nightProblems({ floor, ceiling, light, dayByWeek, stages }: Response): Problem[] {
  const order = (path: string, low: string, lowValue: number, high: string, highValue: number): Problem[] =>
    lowValue > highValue ? [{ code: 'order', path, low, lowValue, high, highValue, unit: '%' }] : []
  const [lowest, highest] = [floor.nightPct, ceiling.nightPct]
  if (lowest === undefined && highest === undefined) return []
  const floorPct = stages ? 0 : floor.speedPct
  return [
    ...(light || dayByWeek
      ? []
      : [{ code: 'no_night' as const, path: lowest === undefined ? 'ceiling.nightPct' : 'floor.nightPct' }]),
    ...order('floor.nightPct', 'The floor', floorPct, 'the floor of the night', lowest ?? floorPct),
    ...order(
      'floor.nightPct',
      'The floor of the night',
      lowest ?? floorPct,
      'the ceiling of the night',
      highest ?? ceiling.speedPct,
    ),
    ...order('ceiling.nightPct', 'The ceiling of the night', highest ?? 0, 'the ceiling', ceiling.speedPct),
  ]
}

/** A cut-out between floor and ceiling, of one fan that may stand. */
export function cutOutProblems({ cutOut, floor, ceiling, stages }: Response): Problem[] {
  if (!cutOut) return []
  const order = (path: string, low: string, lowValue: number, high: string, highValue: number): Problem[] =>
    lowValue > highValue ? [{ code: 'order', path: `cutOut.${path}`, low, lowValue, high, highValue, unit: '%' }] : []
  return [
    ...(stages ? [{ code: 'cut_out_with_stages' as const, path: 'cutOut' }] : []),
    ...(floor.offAllowed ? [] : [{ code: 'cut_out_never_off' as const, path: 'cutOut' }]),
    ...order('offBelowPct', 'The cut-out', cutOut.offBelowPct, 'where it comes back', cutOut.backAtPct),
    ...order('backAtPct', 'Where it comes back', cutOut.backAtPct, 'the ceiling', ceiling.speedPct),
  ]
}

/** Named speeds rise, each inside its own range, and name followers that are there; stepping up needs some. */
export function speedProblems(response: Response): Problem[] {
  const { speeds = [], stepUps = [], followers } = response
  const known = followers.map(({ fan }) => fan)
  const order = (path: string, low: string, lowValue: number, high: string, highValue: number): Problem[] =>
    lowValue > highValue ? [{ code: 'order', path, low, lowValue, high, highValue, unit: '%' }] : []
  return [
    ...speeds.flatMap(({ id, name, pct, fromPct = 0, toPct = 100, fans = [] }, index): Problem[] => {
      const path = `speeds.${index}`
      const before = speeds[index - 1]
      return [
        ...(speeds.findIndex((other) => other.id === id) < index
          ? [{ code: 'duplicate_id' as const, path: `${path}.id`, what: 'named speeds', got: id }]
          : []),
        ...(before && pct <= before.pct
          ? [
              {
                code: 'order' as const,
                path: `${path}.pct`,
                low: before.name,
                lowValue: before.pct,
                high: name,
                highValue: pct,
                unit: '%',
              },
            ]
          : []),
        ...order(`${path}.pct`, `The lowest of ${name}`, fromPct, name, pct),
        ...order(`${path}.pct`, name, pct, `the highest of ${name}`, toPct),
        ...fans.flatMap(({ fan }, place): Problem[] =>
          known.includes(fan)
            ? []
            : [{ code: 'unknown_id', path: `${path}.fans.${place}.fan`, what: 'follower', got: fan, known }],
        ),
      ]
    }),
    ...stepUps.flatMap(({ onlyWhile }, index) => [
      ...onlyWhile.flatMap((condition, place) =>
        conditionProblems(response, condition, `stepUps.${index}.onlyWhile.${place}`),
      ),
      ...(speeds.length === 0 ? [{ code: 'no_speeds' as const, path: `stepUps.${index}` }] : []),
    ]),
  ]
}
