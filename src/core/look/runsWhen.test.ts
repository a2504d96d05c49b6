import { clockMinutes, runsWhen, spellsOf } from '@/core/look/runsWhen'
import type { Week } from '@/core/rules/week'
import { machineFor, responseTo } from '@/testing/examples'

const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6]
const week = (startMin: number, endMin: number, days = EVERY_DAY): Week => ({
  id: 'week',
  kind: 'week',
  periods: [{ days, startMin, endMin, speedPct: 60 }],
})
const runs = (rule: Week) =>
  runsWhen(machineFor(responseTo([rule], { floor: { speedPct: 0, reasons: [], offAllowed: true } })), {})

test('a day is told as spells of one speed', () => {
  expect(spellsOf(runs(week(480, 1020)), 1)).toEqual([
    { fromMin: 0, toMin: 480, clockMin: 0, pct: 0 },
    { fromMin: 480, toMin: 1020, clockMin: 480, pct: 60 },
    { fromMin: 1020, toMin: 1440, clockMin: 1020, pct: 0 },
  ])
})

test.each([
  // The safe way to disarm a daily timer, common practice, no source: on for 23 h 59 min, off for one minute.
  { start: 241, end: 240, still: 60, from: 240 },
  { start: 480, end: 1020, still: 15 * 3600, from: 1020 },
  { start: 0, end: 1440, still: 0, from: null },
])('on from minute $start to $end: the longest time without air is $still s', ({ start, end, still, from }) => {
  const { longestStillS, stillFromMin } = runs(week(start, end))
  expect(longestStillS).toBe(still)
  expect(stillFromMin === null ? null : stillFromMin % 1440).toBe(from)
})

test('a still time over the end of the week is one', () => {
  // Mon to Fri 08:00 to 17:00: from Friday 17:00 to Monday 08:00.
  const { longestStillS, stillFromMin } = runs(week(480, 1020, [0, 1, 2, 3, 4]))
  expect([longestStillS / 3600, stillFromMin]).toEqual([63, 4 * 1440 + 1020])
})

test('nothing that ever turns is a whole week without air', () => {
  const still = runsWhen(machineFor(responseTo([], { floor: { speedPct: 0, reasons: [], offAllowed: true } })), {})
  expect(still.longestStillS).toBe(7 * 86400)
})

test.each([
  ['ordinary', 1440],
  ['forward', 1380],
  ['back', 1500],
] as const)('%s: the day has %p minutes', (kind, length) => expect(clockMinutes(kind)).toHaveLength(length))

test.each([
  // An end in the hour that is left out is not skipped: at 3 o'clock the period is over.
  {
    kind: 'forward' as const,
    end: 150,
    spells: [
      [0, 120, 60],
      [120, 1380, 0],
    ],
  },
  // An end in the hour that comes twice comes twice: the clock is inside the period again.
  {
    kind: 'back' as const,
    end: 150,
    spells: [
      [0, 150, 60],
      [150, 180, 0],
      [180, 210, 60],
      [210, 1500, 0],
    ],
  },
])('on the day the clocks go $kind', ({ kind, end, spells }) => {
  expect(spellsOf(runs(week(0, end)), 6, kind).map(({ fromMin, toMin, pct }) => [fromMin, toMin, pct])).toEqual(spells)
})
