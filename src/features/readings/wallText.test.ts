import { USUAL_DATES, type DateStyle } from '@/core/quantity/dateStyle'
import { timeTicks, wallText } from '@/features/readings/wallText'

const AMERICAN: DateStyle = { order: 'month', clock: '12', weekFrom: 'sun' }
const MINUTE = 60_000
const HOUR = 60 * MINUTE
const DAY = 24 * HOUR

test.each([
  ['Europe/London', USUAL_DATES, '9 Jul 2026 15:20'],
  ['Europe/London', AMERICAN, 'Jul 9, 2026 3:20 PM'],
  ['as-written', USUAL_DATES, '9 Jul 2026 14:20'],
  ['Asia/Kolkata', AMERICAN, 'Jul 9, 2026 7:50 PM'],
])('an instant on a logger’s clock in %s', (zone, dates, text) =>
  expect(wallText(Date.UTC(2026, 6, 9, 14, 20), zone, dates)).toBe(text),
)

test.each([
  { name: 'an hour', lengthMs: HOUR, everyMs: 10 * MINUTE, usual: '00:00', american: '12:00 AM' },
  { name: 'a day', lengthMs: DAY, everyMs: 6 * HOUR, usual: '00:00', american: '12:00 AM' },
  { name: 'three days', lengthMs: 3 * DAY, everyMs: 12 * HOUR, usual: '9 Feb 00:00', american: 'Feb 9 12:00 AM' },
  { name: 'a month', lengthMs: 28 * DAY, everyMs: 4 * DAY, usual: '9 Feb', american: 'Feb 9' },
])('the axis of $name has ticks a clock would show', ({ lengthMs, everyMs, usual, american }) => {
  const fromMs = Date.UTC(2026, 1, 9)
  const { ticks, text } = timeTicks('as-written', fromMs, fromMs + lengthMs)
  expect(ticks.length).toBeLessThanOrEqual(8)
  expect(ticks.slice(1).every((tick, index) => tick - ticks[index]! === everyMs)).toBe(true)
  expect(ticks.every((tick) => tick >= fromMs && tick <= fromMs + lengthMs)).toBe(true)
  expect(text(fromMs)).toBe(usual)
  expect(timeTicks('as-written', fromMs, fromMs + lengthMs, AMERICAN).text(fromMs)).toBe(american)
})
