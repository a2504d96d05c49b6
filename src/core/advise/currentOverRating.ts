import type { Judge } from '@/core/advise/judgement'
import { countOf } from '@/core/kit/schema'
import { says } from '@/core/advise/words'

/** The fans’ currents together against what the output carries, less what its surroundings take. Only outputs that carry the fans’ own
 *  current have a rating. */
export const currentOverRating: Judge = ({ kit }) =>
  (kit.controller?.outputs ?? []).flatMap(({ id, name, ratedCurrentA }) => {
    if (ratedCurrentA === undefined) return []
    const onIt = kit.fans.filter(({ output }) => output === id)
    const totalA = onIt.reduce((total, fan) => total + countOf(fan) * (fan.ratedCurrentA ?? 0), 0)
    const carriesA = (ratedCurrentA * (kit.deratedToPct ?? 100)) / 100
    if (totalA <= carriesA) return []
    return [
      {
        id: `current-over-rating-${id}`,
        severity: 'hurts' as const,
        path: `kit.fans.${kit.fans.indexOf(onIt[0]!)}.ratedCurrentA`,
        says: says('current-over-rating', {
          output: name,
          totalA,
          carriesA,
          ratedA: ratedCurrentA,
          deratedToPct: kit.deratedToPct ?? null,
        }),
        cure: null,
      },
    ]
  })
