import fc from 'fast-check'
import { copyDay, joined, movedTo, paint, reshape, stretched, wipe } from '@/core/response/paintWeek'
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

const QUARTER = 15
const minute = fc.integer({ min: 0, max: 95 }).map((quarter) => quarter * QUARTER)

test.each([
  ['within its day', { startMin: 480, endMin: 600 }, 540, { startMin: 540, endMin: 660 }],
  ['to midnight', { startMin: 480, endMin: 600 }, 1320, { startMin: 1320, endMin: 1440 }],
  ['past midnight it runs on', { startMin: 480, endMin: 600 }, 1380, { startMin: 1380, endMin: 60 }],
  ['no further than its day goes', { startMin: 480, endMin: 600 }, 2000, { startMin: 1425, endMin: 105 }],
  ['what ran over midnight comes back', { startMin: 1380, endMin: 60 }, 1200, { startMin: 1200, endMin: 1320 }],
] as const)('a span is moved: %s', (_name, times, to, then) => expect(movedTo(times, to, QUARTER)).toEqual(then))

test.each([
  ['its end later', { startMin: 480, endMin: 600 }, 'end', 660, { startMin: 480, endMin: 660 }],
  ['its end to midnight', { startMin: 480, endMin: 600 }, 'end', 1440, { startMin: 480, endMin: 1440 }],
  ['nothing would be left', { startMin: 480, endMin: 600 }, 'start', 600, null],
  ['it would turn over midnight', { startMin: 480, endMin: 600 }, 'end', 420, null],
  ['over midnight its end stays before its start', { startMin: 1320, endMin: 360 }, 'end', 1380, null],
  ['over midnight its start stays after its end', { startMin: 1320, endMin: 360 }, 'start', 300, null],
  ['over midnight its end earlier', { startMin: 1320, endMin: 360 }, 'end', 120, { startMin: 1320, endMin: 120 }],
] as const)('a span is stretched: %s', (_name, times, end, at, then) =>
  expect(stretched(times, end, at, QUARTER)).toEqual(then),
)

test('property: a move keeps the length, and moving back gives what was', () => {
  fc.assert(
    fc.property(minute, minute, minute, (startMin, endMin, to) => {
      fc.pre(startMin !== endMin)
      const moved = movedTo({ startMin, endMin }, to, QUARTER)
      const length = (times: { startMin: number; endMin: number }) => (times.endMin - times.startMin + 1440) % 1440
      expect(length(moved)).toBe(length({ startMin, endMin }))
      expect(movedTo(moved, startMin, QUARTER).startMin).toBe(startMin)
    }),
    { seed: 7 },
  )
})
