import type { Judgement } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

/** Changes since the last seal are not on any record: said by those who know the seals.
 *  @param changes how many there are; null where nothing was ever sealed, which the first seal will mend */
export const unsealedChanges = (changes: number | null): readonly Judgement[] =>
  changes === null || changes === 0
    ? []
    : [
        {
          id: 'unsealed-changes',
          severity: 'know',
          path: 'name',
          says: says('unsealed-changes', { count: changes }),
          cure: null,
        },
      ]
