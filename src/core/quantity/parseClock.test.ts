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
  ['noon', null],
  ['', null],
])('“%s” as an end is %p minutes', (typed, minutes) => expect(parseClock(typed, 1440)).toBe(minutes))

test('a day does not start at 24:00', () => expect(parseClock('24:00', 1439)).toBeNull())
