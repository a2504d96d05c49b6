import type { Judgement } from '@/core/advise/judgement'

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
          title: changes === 1 ? 'A change is not sealed.' : `${changes} changes are not sealed.`,
          detail: 'What was sealed last is what the record in the box says. Seal again when this is what is meant.',
          cure: null,
        },
      ]
