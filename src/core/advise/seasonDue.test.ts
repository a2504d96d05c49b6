import { seasonDue } from '@/core/advise/seasonDue'
import { judgementText } from '@/core/advise/words'
import type { Installation } from '@/core/installation/installation'
import { demoInstallation } from '@/testing/examples'

const flat = demoInstallation('archive-flat')
const put = (seasonNow: string | undefined): Installation => {
  const { seasonNow: _before, ...response } = flat.response
  return {
    ...flat,
    response: {
      ...response,
      seasons: [
        { id: 'warm', name: 'warm season', from: '04-20', to: '10-09' },
        { id: 'cool', name: 'cool season', from: '10-10', to: '04-19' },
      ],
      ...(seasonNow === undefined ? {} : { seasonNow }),
    },
  }
}

test.each([
  { now: 'warm', today: '2026-06-01', ids: [] },
  { now: 'warm', today: '2026-09-18', ids: [] },
  { now: 'warm', today: '2026-09-19', ids: ['season-soon-cool'] },
  { now: 'warm', today: '2026-10-09', ids: ['season-soon-cool'] },
  { now: 'warm', today: '2026-10-10', ids: ['season-wrong'] },
  { now: 'cool', today: '2027-02-28', ids: [] },
  { now: 'cool', today: '2027-04-20', ids: ['season-wrong'] },
  { now: undefined, today: '2026-10-10', ids: [] },
  { now: 'warm', today: null, ids: [] },
])('put to $now on $today: $ids', ({ now, today, ids }) =>
  expect(seasonDue(put(now), today).map(({ id }) => id)).toEqual(ids),
)

test('what is wrong is said with its day, and one press puts it right', () => {
  const [wrong] = seasonDue(put('warm'), '2026-11-27')
  expect(judgementText(wrong!).title).toBe('It stands in the warm season; it is the cool season since 10 Oct.')
  expect(wrong!.cure?.apply(put('warm')).response.seasonNow).toBe('cool')
})

test('the reminder counts the days', () => {
  const [soon] = seasonDue(put('warm'), '2026-10-08')
  expect(judgementText(soon!).title).toBe('The cool season begins in 2 days, on 10 Oct.')
})
