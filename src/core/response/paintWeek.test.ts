import fc from 'fast-check'
import { copyDay, joined, paint, painted, reshape, wipe } from '@/core/response/paintWeek'
import { fillSpan, WEEK_MIN, type Period } from '@/core/rules/week'

const WORK: Period = { days: [0, 1, 2, 3, 4], startMin: 480, endMin: 1020, speedPct: 60 }

/** What runs at every minute of the week, the highest where several do. */
function minutes(periods: readonly Period[]): string {
  const speeds = new Float64Array(WEEK_MIN)
  for (const period of [...periods].sort((a, b) => a.speedPct - b.speedPct)) fillSpan(speeds, period, period.speedPct)
  return speeds.join()
}

test('a stroke is a period of its day, and joins one that is the same on other days', () => {
  expect(paint([WORK], { day: 5, startMin: 480, endMin: 1020 }, WORK)).toEqual([{ ...WORK, days: [0, 1, 2, 3, 4, 5] }])
  expect(paint([WORK], { day: 5, startMin: 540, endMin: 720 }, WORK)).toEqual([
    WORK,
    { days: [5], startMin: 540, endMin: 720, speedPct: 60 },
  ])
})

test('stretching one day leaves the others', () => {
  expect(reshape([WORK], 0, 2, { day: 2, startMin: 480, endMin: 1200 })).toEqual([
    { ...WORK, days: [0, 1, 3, 4] },
    { ...WORK, days: [2], endMin: 1200 },
  ])
})

test('wiping the last day takes the period away', () => {
  expect(wipe([{ ...WORK, days: [3] }], 0, 3)).toEqual([])
})

test('a day is copied to others, which lose what they had', () => {
  const friday: Period = { days: [4], startMin: 0, endMin: 60, speedPct: 90 }
  expect(copyDay([WORK, friday], 0, [4, 5])).toEqual([{ ...WORK, days: [0, 1, 2, 3, 4, 5] }])
})

const period = fc.record({
  days: fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 7 }),
  startMin: fc.integer({ min: 0, max: 1439 }),
  endMin: fc.integer({ min: 0, max: 1440 }),
  speedPct: fc.constantFrom(30, 60, 90),
})

test('joining changes nothing that runs', () => {
  fc.assert(
    fc.property(fc.array(period, { maxLength: 8 }), (periods) =>
      expect(minutes(joined(periods))).toBe(minutes(periods)),
    ),
    { seed: 20261126, numRuns: 60 },
  )
})

test('every day of every period is painted once', () => {
  expect(painted([WORK, { ...WORK, days: [6] }])).toHaveLength(6)
})
