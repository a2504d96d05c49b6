/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { render, screen } from '@testing-library/react'
import { METRIC } from '@/core/quantity/format'
import { momentsFor, today, wallDay } from '@/ui/clock'
import { Moment } from '@/ui/Moment'
import { PreferenceProvider } from '@/ui/preference'

const AT = '2026-04-15T22:20:05Z'
const american = { order: 'month', clock: '12', weekFrom: 'sun' } as const

test.each([
  ['as usual', {}, '15 Apr 22:20', '22:20:05'],
  ['month first, twelve hours', { dates: american }, 'Apr 15 10:20 PM', '10:20:05 PM'],
  ['year first', { dates: { ...american, order: 'year', clock: '24' } }, '2026-04-15 22:20', '22:20:05'],
  ['on a site in Tokyo', { zone: 'Asia/Tokyo' }, '16 Apr 07:20 GMT+9', '07:20:05'],
] as const)('%s', (_name, wishes, dayAndClock, clock) => {
  jest.useFakeTimers({ now: new Date('2026-11-28T12:00:00Z') })
  const moments = momentsFor(wishes)
  expect([moments.dayAndClock(AT), moments.clock(AT)]).toEqual([dayAndClock, clock])
  expect(momentsFor({ ...wishes })).toBe(moments)
  jest.useRealTimers()
})

test('another year is said', () => {
  const { day } = momentsFor({})
  expect(day(AT, new Date('2026-12-31T12:00:00Z'))).toBe('15 Apr')
  expect(day(AT, new Date('2027-01-02T12:00:00Z'))).toBe('15 Apr 2026')
})

test('labels and walls', () => {
  expect(today(new Date('2026-11-25T12:00:00Z'))).toBe('2026-11-25')
  expect(wallDay(Date.parse('2026-11-25T12:00:00Z'), american)).toBe('Nov 25')
})

test('an instant on the page follows whoever looks', () => {
  render(
    <PreferenceProvider value={{ ...METRIC, dates: american, zone: 'UTC' }}>
      <Moment at={AT} as="clock" />
    </PreferenceProvider>,
  )
  expect(screen.getByText('10:20:05 PM')).toHaveAttribute('datetime', AT)
})
