import { clockText } from '@/core/quantity/clock'
import { instantText } from '@/core/rules/instant'

const MONTH_FIRST = { order: 'month', clock: '12', weekFrom: 'sun' } as const

test.each([
  [{}, '15 Apr 2026 22:20 UTC'],
  [{ zone: 'Europe/Paris' }, '16 Apr 2026 00:20 CEST'],
  [{ dates: MONTH_FIRST }, 'Apr 15, 2026 10:20 PM UTC'],
  [{ dates: MONTH_FIRST, zone: 'America/New_York' }, 'Apr 15, 2026 6:20 PM EDT'],
] as const)('an instant for %o', (preference, text) =>
  expect(instantText('2026-04-15T22:20:00Z', preference)).toBe(text),
)

test.each([
  [0, '00:00', '12:00 AM'],
  [5, '00:05', '12:05 AM'],
  [11 * 60 + 59, '11:59', '11:59 AM'],
  [12 * 60, '12:00', '12:00 PM'],
  [23 * 60 + 30, '23:30', '11:30 PM'],
  [24 * 60, '24:00', '12:00 AM'],
])('minute %i of a day', (minute, of24, of12) => {
  expect(clockText(minute)).toBe(of24)
  expect(clockText(minute, MONTH_FIRST)).toBe(of12)
})
