import { parseClock } from '@/core/quantity/parseClock'

test.each([
  ['8', 480],
  ['8:30', 510],
  ['17.00', 1020],
  ['0830', 510],
  ['00:00', 0],
  ['24:00', 1440],
  ['24:01', null],
  ['8:60', null],
  ['8 am', 480],
  ['8:30 PM', 1230],
  ['5.15p.m.', 1035],
  ['12 pm', 720],
  ['12:00 AM', 1440],
  ['12:30 am', 30],
  ['13 pm', null],
  ['0 am', null],
  ['8:60 pm', null],
  ['noon', null],
  ['', null],
])('“%s” as an end is %p minutes', (typed, minutes) => expect(parseClock(typed, 1440)).toBe(minutes))

test('a day does not start at 24:00, but at 12 am', () => {
  expect(parseClock('24:00', 1439)).toBeNull()
  expect(parseClock('12 am', 1439)).toBe(0)
})
