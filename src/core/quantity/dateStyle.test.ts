import { knownDates, startingDates, USUAL_DATES, weekInOrder } from '@/core/quantity/dateStyle'
import { dayOf, dayText, yearDayText } from '@/core/rules/yearDay'

// Unicode CLDR: order of the date, hours of the clock and first day of the week of each land.
test.each([
  ['en-GB,en;q=0.9', 'day', '24', 'mon'],
  ['en-US', 'month', '12', 'sun'],
  ['de-CH;q=1', 'day', '24', 'mon'],
  ['sv', 'year', '24', 'mon'],
  ['ja-JP', 'year', '24', 'sun'],
  ['ar-EG-u-nu-latn', 'day', '12', 'sat'],
])('a browser of %s begins with %s, %s h, %s', (languages, order, clock, weekFrom) =>
  expect(startingDates(languages)).toEqual({ order, clock, weekFrom }),
)

test.each(['', '*', 'not a language', '../..', 'x'.repeat(400)])('“%s” is no language: as usual', (languages) =>
  expect(startingDates(languages)).toEqual(USUAL_DATES),
)

test.each([undefined, 'day', { order: 'hour', clock: 12, weekFrom: 'toString' }])('%p says nothing', (said) =>
  expect(knownDates(said)).toEqual(USUAL_DATES),
)

test.each([
  ['day', '15 Apr 2026', '15 Apr'],
  ['month', 'Apr 15, 2026', 'Apr 15'],
  ['year', '2026-04-15', 'Apr 15'],
] as const)('by %s first', (order, date, ofYear) => {
  expect(dayText('2026-04-15', { order })).toBe(date)
  expect(yearDayText('04-15', { order })).toBe(ofYear)
})

test.each([
  [undefined, '2026-03-28'],
  ['Pacific/Auckland', '2026-03-29'],
  ['America/Los_Angeles', '2026-03-28'],
])('an instant is a day of its zone: %s', (zone, day) => expect(dayOf('2026-03-28T23:30:00Z', zone)).toBe(day))

test.each([
  ['mon', 'Mo Tu We Th Fr Sa Su'],
  ['sat', 'Sa Su Mo Tu We Th Fr'],
  ['sun', 'Su Mo Tu We Th Fr Sa'],
] as const)('a week that begins on %s', (weekFrom, days) =>
  expect(weekInOrder('Mo Tu We Th Fr Sa Su'.split(' '), weekFrom).join(' ')).toBe(days),
)
