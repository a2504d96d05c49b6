import { rehearsedLines } from '@/core/rehearse/rehearsedLines'
import type { Rehearsed } from '@/core/scenario/rehearsed'

const one = (measures: Rehearsed['measures'], given = 'now'): Rehearsed => ({
  scenario: 'hot-spell',
  name: 'hot spell',
  days: 1,
  startsOn: '2026-07-06',
  given,
  measures,
})
const past = { id: 'past-limit', value: 720, unit: 's', against: 27, atS: 54600, verdict: 'fail' } as const
const kept = { id: 'short-of-air', value: 0, unit: 's', against: null, atS: null, verdict: 'pass' } as const

test.each([
  { of: [past, kept], says: 'hot spell, a day: past the limit, 27.0 °C 12 min, worst Mon 15:10' },
  { of: [kept], says: 'hot spell, a day: keeps all that the brief asks of it' },
  { of: [], says: 'hot spell, a day: nothing of it was asked by the brief' },
])('$says', ({ of, says }) =>
  expect(rehearsedLines({ rehearsed: [one(of)] }, 'now')).toEqual([
    { key: 'hot-spell-1', text: says, isCurrent: true },
  ]),
)

test('one of a response that was changed since says so', () =>
  expect(rehearsedLines({ rehearsed: [one([], 'before')] }, 'now')[0]!.isCurrent).toBe(false))
