import { withResponse, type Judgement } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import type { Installation } from '@/core/installation/installation'
import { changeOverDue } from '@/core/response/yearSeasons'
import { dateOf, placeOfDate } from '@/core/rules/yearDay'

/** How long before it a changeover is spoken of, days: time to plan a visit. Common practice, no source. */
const AHEAD_DAYS = 21

/** A season put in by hand that is not the one of the day, or that changes soon: said by those who know the date.
 *  @param today YYYY-MM-DD; null where it is not known */
export function seasonDue({ response }: Installation, today: string | null): readonly Judgement[] {
  const due = today === null ? null : changeOverDue(response, placeOfDate(dateOf(today)))
  if (!due) return []
  const { now, should, next, inDays } = due
  if (now.id !== should.id)
    return [
      {
        id: 'season-wrong',
        severity: 'fails',
        path: 'response.seasonNow',
        says: says('season-wrong', { now: now.name, should: should.name, from: should.from }),
        cure: { apply: (installation) => withResponse(installation, { seasonNow: should.id }) },
      },
    ]
  return inDays > AHEAD_DAYS || next.id === should.id
    ? []
    : [
        {
          id: `season-soon-${next.id}`,
          severity: 'know',
          path: 'response.seasonNow',
          says: says('season-soon', { next: next.name, from: next.from, inDays }),
          cure: null,
        },
      ]
}
